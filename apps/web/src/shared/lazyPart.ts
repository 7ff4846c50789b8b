import { type ComponentType, createElement, lazy, useState } from "react";

const loaders: (() => Promise<unknown>)[] = [];

/**
 * Loads a part of the window when it is first wanted, or shortly after the first paint, whichever comes first. Once loaded it
 * is there in the same moment in which it is asked for, so that what is typed right behind the key that opens it is not lost.
 */
export function lazyPart<P extends object>(load: () => Promise<ComponentType<P>>): ComponentType<P> {
  let part: ComponentType<P> | undefined;
  const loadPart = async (): Promise<{ default: ComponentType<P> }> => {
    part = await load();
    return { default: part };
  };
  loaders.push(loadPart);
  const Lazy: ComponentType<P> = lazy(loadPart);
  return function LazyPart(props: P) {
    // The same for as long as it stands: to change over once it is loaded would lose what was typed into it.
    const [Part] = useState(() => part ?? Lazy);
    return createElement(Part, props);
  };
}

/** Loads something when it is first wanted, or shortly after the first paint, whichever comes first. */
export function loadLater<T>(load: () => Promise<T>): () => Promise<T> {
  loaders.push(load);
  return load;
}

/** Loads every part that was left for later, so that the first key press finds it there. Rejects where one cannot be loaded. */
export async function loadLazyParts(): Promise<void> {
  await Promise.all(loaders.map((load) => load()));
}
