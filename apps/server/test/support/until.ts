/** Waits until something holds. Throws Error where it has not come about within so long; milliseconds. */
export async function until(holds: () => boolean | Promise<boolean>, most = 60_000): Promise<void> {
  const end = Date.now() + most;
  while (!(await holds())) {
    if (Date.now() > end) throw new Error(`It did not come about within ${most / 1000} seconds`);
    await new Promise((resolve) => setTimeout(resolve, 10));
  }
}

/** Lets some time go by; milliseconds. */
export function pause(time: number): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve, time));
}
