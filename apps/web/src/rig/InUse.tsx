/** What still uses a thing that is to be taken away, and what can be done about it. */
export function InUse({ said, onLeave, children }: { said: string; onLeave: () => void; children: React.ReactNode }) {
  return (
    <div role="alert" className="flex flex-col gap-2 rounded border border-error px-3 py-2">
      <p className="text-error">{said}.</p>
      <div className="flex flex-wrap gap-2">
        {children}
        <button type="button" className="btn btn-sm btn-ghost" onClick={onLeave}>
          Leave it
        </button>
      </div>
    </div>
  );
}
