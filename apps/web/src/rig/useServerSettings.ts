import { useMutation, useMutationState, useQuery, useQueryClient } from "@tanstack/react-query";
import { tellTrouble } from "../shared/notices.ts";

/** Settings of the server: how they are called here, asked for, set and read back from the cache of changes. */
export interface ServerSettings<Settings extends object, State extends Settings> {
  readonly name: string;
  readonly read: () => Promise<State>;
  readonly write: (settings: Settings) => Promise<State>;
  /** The settings alone, without what the server tells beside them. */
  readonly settingsOf: (state: Settings) => Settings;
  /** What a change asks for; the cache of changes knows it only as anything. */
  readonly changeOf: (variables: unknown) => Partial<Settings>;
  /** What is told beside the settings is read again so often; milliseconds. */
  readonly every?: number;
}

/**
 * Settings of the server as it has them, with what was asked since and is not answered yet, and a way to change them. What is set shows at once and is sent in the order in
 * which it was set, each change upon the answer to the one before, so that a switch pressed twice on a slow line ends as it was.
 */
export function useServerSettings<Settings extends object, State extends Settings>(
  settings: ServerSettings<Settings, State>,
): { readonly state: State | undefined; readonly set: (change: Partial<Settings>) => void } {
  const { name, read, write, settingsOf, changeOf, every } = settings;
  const client = useQueryClient();
  const key = [name];
  const setting = [name, "set"];
  const { data } = useQuery({ queryKey: key, queryFn: read, ...(every === undefined ? {} : { refetchInterval: every }) });
  const { mutate } = useMutation({
    mutationKey: setting,
    scope: { id: name },
    mutationFn: async (change: Partial<Settings>) => {
      const newest = await client.ensureQueryData({ queryKey: key, queryFn: read });
      return write({ ...settingsOf(newest), ...change });
    },
    onSuccess: (state) => client.setQueryData<State>(key, state),
    onError: (error) => tellTrouble(error),
  });
  const waiting = useMutationState({
    filters: { mutationKey: setting, status: "pending" },
    select: (mutation) => changeOf(mutation.state.variables),
  });
  return { state: data && waiting.reduce<State>((state, change) => ({ ...state, ...change }), data), set: mutate };
}
