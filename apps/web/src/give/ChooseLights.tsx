import { type Group, autoGroups } from "@zm/core";
import { useMemo } from "react";
import { chooseBefore, chooseLights, chooseWhole, leftOut, toggleLights, useSelection, walkChoice } from "../choice/selection.ts";
import { litLights } from "../show/hand/litLights.ts";
import { useHandChange } from "../show/hand/useHandChange.ts";
import { IdentifyButton, ParkButton } from "./OverButtons.tsx";
import { lightSpans, lightWords } from "../shared/words.ts";
import { useShow } from "../show/useShow.ts";

const SMALL = "btn btn-xs border-neutral px-1.5 font-normal";

/** Ways to choose lights without hitting them in the picture: groups, those that the rig makes by itself, all that are lit, every second one, what was chosen before. */
export function ChooseLights() {
  const { sheet } = useShow();
  const channels = useSelection((choice) => choice.channels);
  const before = useSelection((choice) => choice.before);
  const made = useMemo(() => autoGroups(sheet.show), [sheet.show]);
  return (
    <section aria-label="Chosen lights" className="flex flex-col gap-2">
      <h2 className="text-[17px] font-bold" data-testid="chosen-lights">
        {channels.length === 0 ? "No light chosen" : lightWords(channels)}
      </h2>
      <div className="flex flex-wrap gap-1" role="group" aria-label="Groups">
        {sheet.show.groups.map((group) => (
          <GroupButton key={group.id} group={group} />
        ))}
      </div>
      <details>
        <summary className="min-h-7 cursor-default text-[13px] text-quiet hover:text-base-content">More ways to choose</summary>
        <div className="mt-1 flex flex-col gap-2">
          <div className="flex flex-wrap gap-1" role="group" aria-label="By type and row">
            {made.map((group) => (
              <GroupButton key={group.id} group={group} />
            ))}
          </div>
          {before.length > 0 && (
            <div className="flex flex-wrap gap-1" role="group" aria-label="Chosen before">
              {before.map((lights, index) => (
                <button
                  key={lights.join()}
                  type="button"
                  className={`${SMALL} max-w-full truncate`}
                  title={`Again ${lightWords(lights)}`}
                  onClick={() => chooseBefore(index + 1)}
                >
                  {lightSpans(lights)}
                </button>
              ))}
            </div>
          )}
        </div>
      </details>
      <SomeOfThem channels={channels} before={before} />
      <LightByLight channels={channels} />
    </section>
  );
}

/** All that are lit, every second, the other half, the other way round, what was chosen before. */
function SomeOfThem({ channels, before }: { channels: readonly number[]; before: readonly (readonly number[])[] }) {
  const { sheet } = useShow();
  const { outputOf } = useHandChange();
  const rest = leftOut({ channels, before });
  return (
    <div className="flex flex-wrap gap-1">
      <button type="button" className={SMALL} onClick={() => chooseLights(litLights(sheet, outputOf))}>
        All lit
      </button>
      {(
        [
          [2, "2nd", "Every second"],
          [3, "3rd", "Every third"],
        ] as const
      ).map(([nth, word, title]) => (
        <button
          key={nth}
          type="button"
          className={SMALL}
          aria-label={`${title} of the chosen lights`}
          disabled={channels.length < nth}
          title={`${title} of the chosen lights, from the first`}
          onClick={() => chooseLights(channels.filter((_, index) => index % nth === 0))}
        >
          {word}
        </button>
      ))}
      <button
        type="button"
        className={SMALL}
        disabled={channels.length < 2}
        title="The same lights, from the last to the first: fans run the other way"
        onClick={() => chooseLights([...channels].reverse())}
      >
        Turn round
      </button>
      <button
        type="button"
        className={SMALL}
        disabled={rest.length === 0}
        title={
          rest.length > 0 ? `Those that were left out: ${lightWords(rest)}` : "Take every second first; then this takes the other half"
        }
        onClick={() => chooseLights(rest)}
      >
        The others
      </button>
      <button
        type="button"
        className={SMALL}
        disabled={before.length === 0}
        title={before[0] ? `Again ${lightWords(before[0])}` : undefined}
        onClick={() => chooseBefore()}
      >
        Before
      </button>
    </div>
  );
}

/** The lights of the choice one by one, to be found and to be kept as they are. */
function LightByLight({ channels }: { channels: readonly number[] }) {
  const walked = useSelection((choice) => choice.walked);
  const canWalk = (walked ?? channels).length > 1;
  return (
    <div className="flex flex-wrap gap-1" role="group" aria-label="Light by light">
      <button
        type="button"
        className={SMALL}
        disabled={!canWalk}
        aria-label="‹ Light"
        title="The light before, alone (Shift X)"
        onClick={() => walkChoice(-1)}
      >
        ‹
      </button>
      <button
        type="button"
        className={SMALL}
        disabled={!canWalk}
        aria-label="Light ›"
        title="The next light of the choice, alone (x)"
        onClick={() => walkChoice(1)}
      >
        ›
      </button>
      <button
        type="button"
        className={SMALL}
        disabled={walked === null}
        title={walked ? `All of them again: ${lightWords(walked)} (y)` : undefined}
        onClick={chooseWhole}
      >
        Whole
      </button>
      <IdentifyButton channels={channels} />
      <ParkButton channels={channels} />
    </div>
  );
}

function GroupButton({ group }: { group: Group }) {
  return (
    <button
      type="button"
      className={SMALL}
      title={`${group.channels.length} lights, typed @${group.id}; with Shift they come to those chosen`}
      onClick={(event) => (event.shiftKey ? toggleLights(group.channels) : chooseLights(group.channels))}
    >
      {group.label || group.id}
    </button>
  );
}
