/**
 * A label as a plain word: "Dusk, warm" gives "dusk-warm". Empty where it has no letter or digit.
 * Ids are for files and for typing: small letters, hyphens for what is no letter or digit, none at the ends, accents taken off.
 * Cut at 56 characters, so that a number can still be put behind it.
 */
export function plainId(label: string): string {
  return label
    .toLowerCase()
    .normalize("NFKD")
    .replace(/\p{M}/gu, "")
    .replace(/[^\p{L}\p{N}]+/gu, "-")
    .replace(/^-+|-+$/g, "")
    .slice(0, 56);
}

/**
 * An id made from a label, free among those of things that are there.
 * As `freeId` makes it.
 */
export function freeIdAmong(label: string, all: readonly { readonly id: string }[]): string {
  return freeId(
    label,
    all.map(({ id }) => id),
  );
}

/**
 * An id made from a label, free among those that are taken.
 * A number is put behind it where the plain id is taken: `dusk`, `dusk-2`, `dusk-3`.
 * Labels without any letter or digit still give an id.
 */
export function freeId(label: string, taken: Iterable<string>): string {
  const plain = plainId(label) || "new";
  const used = new Set(taken);
  for (let count = 1; ; count += 1) {
    const id = count === 1 ? plain : `${plain}-${count}`;
    if (!used.has(id)) return id;
  }
}
