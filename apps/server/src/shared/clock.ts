/** Milliseconds of the server's clock, which never goes backwards. */
export function now(): number {
  return performance.timeOrigin + performance.now();
}
