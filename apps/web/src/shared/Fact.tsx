/** One fact of a list of facts: its name, and what it is. */
export function Fact({ name, value, bad = false }: { name: string; value: string; bad?: boolean | undefined }) {
  return (
    <div className="flex justify-between gap-3">
      <dt className="text-quiet">{name}</dt>
      <dd className={`text-right ${bad ? "font-bold text-error" : ""}`}>{value}</dd>
    </div>
  );
}
