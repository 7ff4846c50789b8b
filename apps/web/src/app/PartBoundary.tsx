import { ErrorBoundary } from "react-error-boundary";
import { StoppedPart } from "./ErrorPage.tsx";

/** Keeps the failure of one part of the frame from taking the rest of the window with it. */
export function PartBoundary({ what, children }: { what: string; children: React.ReactNode }) {
  return (
    <ErrorBoundary
      fallbackRender={({ error, resetErrorBoundary }) => (
        <StoppedPart what={what} error={error}>
          <button type="button" className="btn btn-primary btn-sm" onClick={resetErrorBoundary}>
            Try it again
          </button>
        </StoppedPart>
      )}
    >
      {children}
    </ErrorBoundary>
  );
}
