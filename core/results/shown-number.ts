/** Whether a number stands in a text, written in any way. */
export function showsNumber(text: string, number: string): boolean {
  const whole = String(Math.trunc(Number(number)));
  if (whole.length > 12) return false;
  const grouped = whole.replace(/\B(?=(\d{3})+$)/g, String.raw`[.,'’\s]?`);
  return new RegExp(String.raw`(?<!\d)${grouped}(?![\d])`).test(text);
}
