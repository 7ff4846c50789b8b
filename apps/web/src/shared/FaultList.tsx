/** What is wrong with a file, a sentence each; very many are cut short. */
export function FaultList({ faults }: { faults: readonly string[] }) {
  return (
    <>
      <ul className="mt-3 max-h-80 list-disc space-y-1 overflow-y-auto pl-5" tabIndex={0}>
        {faults.slice(0, 200).map((fault, index) => (
          <li key={index}>{fault}</li>
        ))}
      </ul>
      {faults.length > 200 && <p className="mt-1 text-quiet">and {faults.length - 200} more</p>}
    </>
  );
}
