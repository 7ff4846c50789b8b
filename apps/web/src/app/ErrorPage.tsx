import { useEffect } from "react";
import { Link, useParams, useRevalidator, useRouteError } from "react-router";
import { Refusal } from "../show/api.ts";

/** Asks again after a failure that may pass, milliseconds. */
const AGAIN = 2000;

/** In place of the whole window, when what it needs did not come: why, and the way on. What may pass by itself is asked for again. */
export function ErrorPage() {
  const error = useRouteError();
  const { revalidate } = useRevalidator();
  const refused = error instanceof Refusal;
  const passing = refused && error.passing;
  useEffect(() => {
    if (!passing) return undefined;
    const asking = setInterval(() => void revalidate(), AGAIN);
    return () => clearInterval(asking);
  }, [passing, revalidate]);
  return (
    <main className="flex max-w-2xl flex-col items-start gap-3 p-10">
      <h1 className="text-[22px] font-bold">{refused ? "The show cannot be opened" : "The window has stopped"}</h1>
      <p role="alert" className="text-error">
        {errorMessage(error)}
      </p>
      {passing && <p className="text-quiet">It is asked again every two seconds; you need do nothing.</p>}
      {!refused && <p className="text-quiet">{KEPT}</p>}
      <span className="flex gap-2">
        {!passing && (
          <a className="btn btn-primary btn-sm" href="/">
            Open a show that is there
          </a>
        )}
        <button type="button" className="btn btn-outline btn-sm border-neutral" onClick={() => location.reload()}>
          Try again
        </button>
      </span>
    </main>
  );
}

/** In place of one view that has failed; the frame around it goes on. */
export function ViewErrorPage() {
  const error = useRouteError();
  const { showId = "" } = useParams();
  return (
    <StoppedPart what="This view" error={error}>
      <button type="button" className="btn btn-primary btn-sm" onClick={() => location.reload()}>
        Open it again
      </button>
      <Link className="btn btn-outline btn-sm border-neutral" to={`/show/${showId}/score`}>
        To the Score
      </Link>
    </StoppedPart>
  );
}

/** Words and buttons where a part of the window has failed. */
export function StoppedPart({ what, error, children }: { what: string; error: unknown; children: React.ReactNode }) {
  return (
    <section aria-label={`${what} has stopped`} className="flex max-w-xl flex-col items-start gap-3 p-6">
      <h2 className="text-[17px] font-bold">{what} has stopped</h2>
      <p role="alert" className="text-error">
        {errorMessage(error)}
      </p>
      <p className="text-quiet">{KEPT}</p>
      <span className="flex gap-2">{children}</span>
    </section>
  );
}

const KEPT = "What was stored is stored, and what runs goes on running.";

function errorMessage(error: unknown): string {
  return error instanceof Error ? error.message : "It does not say why.";
}
