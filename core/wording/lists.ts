/** `a`, `a and b`, `a, b and c`. */
export function listed(parts: readonly string[]): string {
  return parts.length < 2 ? (parts[0] ?? '') : `${parts.slice(0, -1).join(', ')} and ${parts[parts.length - 1] as string}`;
}

/** `A`, `A and B`, `A and 3 more`. */
export function list(names: readonly string[]): string {
  const [first = '', second] = names;
  if (second === undefined) return `“${first}”`;
  return names.length === 2 ? `“${first}” and “${second}”` : `“${first}” and ${names.length - 1} more`;
}
