/**
 * True for words that differ in one letter, or in two that changed places. Words under three letters are near to nothing: too much would
 * be.
 * For "did you mean"; small and large letters are different here, so lower both first.
 */
export function isNear(typed: string, word: string): boolean {
  if (typed.length < 3 || Math.abs(typed.length - word.length) > 1) return false;
  let start = 0;
  while (start < typed.length && typed[start] === word[start]) start += 1;
  const [a, b] = [typed.slice(start), word.slice(start)];
  return a.slice(1) === b.slice(1) || a.slice(1) === b || a === b.slice(1) || (a[0] === b[1] && a[1] === b[0] && a.slice(2) === b.slice(2));
}
