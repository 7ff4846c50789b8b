import { QueryClient } from "@tanstack/react-query";

/** What the window has asked of the server, and what is on its way there. The server is on the same machine or in the same building, so the browser's word that there is no network says nothing. */
export const queryClient = new QueryClient({
  defaultOptions: { queries: { networkMode: "always" }, mutations: { networkMode: "always" } },
});
