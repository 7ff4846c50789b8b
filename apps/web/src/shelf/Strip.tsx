interface StripProps {
  name: string;
  /** What kind of thing it is: a sign, and what that means. */
  kind?: { readonly icon: React.ReactNode; readonly words: string };
  /** How it stands, in a few words. */
  state: string;
  on: boolean;
  /** Chosen to go together with others. */
  set?: boolean;
  /** The fader; a strip without one has its buttons over the whole width. */
  fader?: React.ReactNode;
  /** What stands behind the name: a menu, where there is one. */
  menu?: React.ReactNode;
  children: React.ReactNode;
}

/** One held look or side list on the shelf. */
export function Strip({ name, kind, state, on, set = false, fader, menu, children }: StripProps) {
  return (
    <section
      aria-label={name}
      data-on={on}
      data-set={set}
      className="flex h-full w-[148px] shrink-0 flex-col rounded border border-rule p-2 data-[on=true]:border-primary data-[set=true]:border-2 data-[set=true]:border-dashed data-[set=true]:border-secondary"
    >
      <div className="flex items-start justify-between">
        <p className="min-w-0">
          <span className="flex items-center gap-1 font-bold" title={kind ? `${name}, ${kind.words}` : name}>
            {kind && (
              <span aria-hidden className="shrink-0 text-primary">
                {kind.icon}
              </span>
            )}
            <span className="truncate">{name}</span>
          </span>
          <span className="block truncate text-quiet" title={state}>
            {state}
          </span>
        </p>
        {menu}
      </div>
      <div className="mt-1 flex min-h-0 flex-1 gap-2">
        {fader}
        <div className="flex min-w-0 flex-1 flex-col gap-1">{children}</div>
      </div>
    </section>
  );
}
