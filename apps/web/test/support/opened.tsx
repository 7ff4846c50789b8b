import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { type Show, type ShowSheet, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { ANYBODY } from "@zm/protocol";
import { render } from "@testing-library/react";
import type { ReactElement } from "react";
import { MemoryRouter } from "react-router";
import { useWorkPreviews } from "../../src/preview/usePreview.ts";
import { meQuery } from "../../src/show/me.ts";
import { ShowContext } from "../../src/show/useShow.ts";

/** What a part of the window asked the server for, in order. */
export interface Asked {
  readonly method: string;
  readonly path: string;
  readonly body: unknown;
}

/**
 * Renders a part of the window with a show open in it, where nobody has an account; `asked` collects what it asks of a server that refuses everything but `answers`, by method and path
 * ("GET /api/shows/1/runs").
 */
export function renderOpened(
  part: ReactElement,
  show: Show = saltAndParaffin(),
  answers: Readonly<Record<string, unknown>> = {},
): { sheet: ShowSheet; asked: Asked[] } {
  const sheet = sheetOf(show);
  const asked: Asked[] = [];
  globalThis.fetch = (input, init) => {
    const method = init?.method ?? "GET";
    asked.push({ method, path: String(input), body: JSON.parse(String(init?.body ?? "null")) });
    const answer = answers[`${method} ${String(input)}`];
    if (answer !== undefined) return Promise.resolve(new Response(JSON.stringify(answer)));
    return Promise.resolve(new Response(JSON.stringify({ message: "Not here", faults: ["Not here"] }), { status: 409 }));
  };
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  client.setQueryData(meQuery.queryKey, { person: ANYBODY, accounts: false, fingerprint: null, addresses: [] });
  render(
    <QueryClientProvider client={client}>
      <MemoryRouter initialEntries={["/show/1/score"]}>
        <ShowContext.Provider value={{ id: 1, revision: 0, sheet, whole: false }}>
          <Worked>{part}</Worked>
        </ShowContext.Provider>
      </MemoryRouter>
    </QueryClientProvider>,
  );
  return { sheet, asked };
}

function Worked({ children }: { children: ReactElement }) {
  useWorkPreviews();
  return children;
}
