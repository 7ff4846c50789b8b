interface EmptyViewProps {
  title: string;
  words: string;
  /** What does it: one button. */
  children?: React.ReactNode;
}

/** A view with nothing in it yet: what comes first, and the button that does it. */
export function EmptyView({ title, words, children }: EmptyViewProps) {
  return (
    <section aria-label={title} className="flex max-w-xl flex-col items-start gap-3 p-6">
      <h2 className="text-[17px] font-bold">{title}</h2>
      <p className="text-quiet">{words}</p>
      {children}
    </section>
  );
}
