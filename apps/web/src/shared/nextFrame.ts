/** Waits until what stands now has been painted; a window that nobody sees paints nothing and waits a tenth of a second. */
export function nextFrame(): Promise<void> {
  return new Promise((resolve) => {
    const late = setTimeout(resolve, 100);
    requestAnimationFrame(() => {
      clearTimeout(late);
      setTimeout(resolve, 0);
    });
  });
}
