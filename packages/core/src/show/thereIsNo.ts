/** What is said of a name that stands for nothing: the kind of thing, the name, and those there are, by their names or ids. */
export function thereIsNo(kind: string, name: string, known: Iterable<string | { readonly id: string }>): string {
  const names = [...known].map((each) => (typeof each === "string" ? each : each.id));
  const kinds = kind
    .split(" or ")
    .map((each) => `${each}s`)
    .join(" and ");
  return `There is no ${kind} "${name}"; the ${kinds} are ${names.join(", ") || "none yet"}`;
}
