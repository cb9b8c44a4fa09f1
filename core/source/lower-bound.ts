/** The first index of a list in order whose value `below` does not hold for; its length where it holds for all. Looks at few of them. */
export function lowerBound<T>(list: readonly T[], below: (one: T) => boolean): number {
  let low = 0;
  for (let high = list.length; low < high;) {
    const middle = (low + high) >> 1;
    if (below(list[middle] as T)) low = middle + 1;
    else high = middle;
  }
  return low;
}
