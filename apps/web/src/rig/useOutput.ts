import { outputSettings, type OutputSettings, type OutputState } from "@zm/protocol";
import { api } from "../show/api.ts";
import { type ServerSettings, useServerSettings } from "./useServerSettings.ts";

const OUTPUT: ServerSettings<OutputSettings, OutputState> = {
  name: "output",
  read: api.output,
  write: api.setOutput,
  settingsOf: ({ on, address, universes }) => ({ on, address, universes }),
  changeOf: (variables) => outputSettings.partial().parse(variables),
};

/** How levels leave for the lights, and a way to change it. */
export function useOutput(): { state: OutputState | undefined; set: (change: Partial<OutputSettings>) => void } {
  return useServerSettings(OUTPUT);
}
