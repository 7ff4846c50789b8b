/**
 * What is kept of things by light and attribute, such as moves or waves; lights of which nothing is kept are left out.
 * Nothing is changed in place.
 */
export function keptKeys<T>(
  all: Readonly<Record<string, Readonly<Record<string, T>>>>,
  keeps: (channel: string, attribute: string, one: T) => boolean,
): Record<string, Record<string, T>> {
  const lights = Object.entries(all).map(([channel, own]) => {
    const kept = Object.entries(own).filter(([attribute, one]) => keeps(channel, attribute, one));
    return [channel, Object.fromEntries(kept)] as const;
  });
  return Object.fromEntries(lights.filter(([, own]) => Object.keys(own).length > 0));
}
