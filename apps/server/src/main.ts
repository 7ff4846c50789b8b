import { startEngineAhead } from "./engine/engineWorker.ts";

// The engine's thread reads its modules while the server reads its own: after a crash the lights wait for it.
startEngineAhead();
await import("./serve.ts");
