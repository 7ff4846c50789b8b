/** Things that are opened when they are first asked for and then kept. A caller that asks meanwhile waits for the same opening; one that fails is not kept. */
export class LoadingCache<K, T> {
  private readonly opened = new Map<K, T>();
  private readonly opening = new Map<K, Promise<T>>();

  /** What is open under a key by now; undefined where nothing is. */
  get(key: K): T | undefined {
    return this.opened.get(key);
  }

  entries(): IterableIterator<[K, T]> {
    return this.opened.entries();
  }

  delete(key: K): void {
    this.opened.delete(key);
  }

  /** What is kept under a key; `load` opens it where nothing is yet. A refusal of `load` comes through. */
  async open(key: K, load: () => Promise<T>): Promise<T> {
    const known = this.opened.get(key);
    if (known !== undefined) return known;
    const opening = this.opening.get(key) ?? load();
    this.opening.set(key, opening);
    try {
      const opened = await opening;
      this.opened.set(key, opened);
      return opened;
    } finally {
      this.opening.delete(key);
    }
  }
}
