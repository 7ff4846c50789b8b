import { useMutation, useMutationState, useQuery, useQueryClient } from "@tanstack/react-query";
import { outputSettings, type OutputSettings, type OutputState } from "@zm/protocol";
import { tellTrouble } from "../shared/notices.ts";
import { api } from "../show/api.ts";

const OUTPUT = ["output"];
const SETTING = ["output", "set"];

/** How levels leave for the lights: as the server has it, with what was asked since and is not answered yet, and a way to change it. */
export interface Output {
  state: OutputState | undefined;
  set: (change: Partial<OutputSettings>) => void;
}

/**
 * The settings of the output. What is set shows at once and is sent in the order in which it was set, each change upon
 * the answer to the one before, so that a switch pressed twice on a slow line ends as it was.
 */
export function useOutput(): Output {
  const client = useQueryClient();
  const { data } = useQuery({ queryKey: OUTPUT, queryFn: api.output });
  const { mutate } = useMutation({
    mutationKey: SETTING,
    scope: { id: "output" },
    mutationFn: async (change: Partial<OutputSettings>) => {
      const { on, address, universes } = { ...(await newest()), ...change };
      return api.setOutput({ on, address, universes });
    },
    onSuccess: (state) => client.setQueryData<OutputState>(OUTPUT, state),
    onError: tellTrouble,
  });
  const newest = (): Promise<OutputState> => client.ensureQueryData({ queryKey: OUTPUT, queryFn: api.output });
  const waiting = useMutationState({
    filters: { mutationKey: SETTING, status: "pending" },
    select: (mutation): Partial<OutputSettings> => wanted(mutation.state.variables),
  });
  return { state: data && waiting.reduce<OutputState>((state, change) => ({ ...state, ...change }), data), set: mutate };
}

/** What a change asks for; the cache of changes knows it only as anything. */
function wanted(variables: unknown): Partial<OutputSettings> {
  return outputSettings.partial().parse(variables);
}
