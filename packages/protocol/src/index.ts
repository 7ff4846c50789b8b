/**
 * What the server, its windows and outside programs exchange: the shapes of requests, replies and live events, in one place.
 * It may use the core and nothing else of ours. Begin with `routes.ts` and `live.ts`.
 */
export * from "./address.ts";
export * from "./backups.ts";
export * from "./checks.ts";
export * from "./hand.ts";
export * from "./history.ts";
export * from "./live.ts";
export * from "./osc.ts";
export * from "./output.ts";
export * from "./past.ts";
export * from "./people.ts";
export * from "./servers.ts";
export * from "./presence.ts";
export * from "./routes.ts";
export * from "./run.ts";
export * from "./runlog.ts";
export * from "./shows.ts";
