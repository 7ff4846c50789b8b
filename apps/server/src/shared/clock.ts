/** Milliseconds of the server's clock, which never goes backwards. */
export function now(): number {
  return performance.timeOrigin + performance.now();
}

/** Milliseconds of a clock of this machine that no one sets; the same in every thread of the process. */
export function steadyNow(): number {
  return Number(process.hrtime.bigint()) / 1e6;
}
