import { usePress } from "../show/run/usePress.ts";
import { useLive } from "../show/live.ts";
import { valuesNow } from "../show/outputs.ts";
import { Toggle } from "../shared/Toggle.tsx";
import { useShow } from "../show/useShow.ts";

/** Lets the chosen lights flash in the picture and in the output, until it is pressed again; while it is on, it goes with the choice. */
export function IdentifyButton({ channels }: { channels: readonly number[] }) {
  const press = usePress();
  const flashing = useLive((live) => live.run?.mix.grand.identify) ?? [];
  const same = flashing.length === channels.length && channels.every((channel) => flashing.includes(channel));
  const on = flashing.length > 0 && (same || channels.length === 0);
  return (
    <Toggle
      pressed={on}
      disabled={channels.length === 0 && flashing.length === 0}
      title={on ? "Lets them be as they are again" : "They flash until this is pressed again; typed: identify 61"}
      onClick={() => void press({ press: "identify", channels: on ? [] : [...channels] })}
    >
      Identify
    </Toggle>
  );
}

/** Keeps the chosen lights as they are now, whatever runs; pressed again they run. */
export function ParkButton({ channels }: { channels: readonly number[] }) {
  const { sheet } = useShow();
  const press = usePress();
  const parked = useLive((live) => live.run?.mix.grand.parked) ?? {};
  const names = channels.flatMap((channel) => [...(sheet.keys.byChannel.get(channel)?.values() ?? [])].map(({ name }) => name));
  const own = names.filter((name) => name in parked);
  const on = own.length > 0;
  const values = (): Record<string, number | null> => (on ? Object.fromEntries(own.map((name) => [name, null])) : valuesNow(sheet, names));
  return (
    <Toggle
      pressed={on}
      disabled={names.length === 0}
      title={on ? "They run again" : "They stay as they are now whatever runs; typed: park 61, unpark all"}
      onClick={() => void press({ press: "park", values: values() })}
    >
      Park
    </Toggle>
  );
}
