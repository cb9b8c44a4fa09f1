/** The first index of something in order that `below` does not hold for; its length where it holds for all. Looks at few of them. */
export function lowerBound(length: number, below: (index: number) => boolean): number {
  let low = 0;
  for (let high = length; low < high;) {
    const middle = (low + high) >> 1;
    if (below(middle)) low = middle + 1;
    else high = middle;
  }
  return low;
}
