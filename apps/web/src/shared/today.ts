/** The day on which a paper is made, as it is written on it. */
export function today(): string {
  return new Date().toLocaleDateString("en-GB", { day: "numeric", month: "long", year: "numeric" });
}
