import type { Family, Give } from "@zm/core";
import { useEffect, useReducer, useState } from "react";
import { useSelection } from "../choice/selection.ts";
import { useHand } from "../show/handStore.ts";
import { useHandChange } from "../show/hand/useHandChange.ts";
import { useLive } from "../show/live.ts";
import { useShow } from "../show/useShow.ts";
import { useStageLook } from "../picture/stageLook.ts";
import { AttributeRow } from "./AttributeRow.tsx";
import { ChooseLights } from "./ChooseLights.tsx";
import { type ChosenAttribute, chosenAttributes } from "./chosenKeys.ts";
import { ColourGive } from "./ColourGive.tsx";
import { FanStrip } from "./FanStrip.tsx";
import { PalettesGive } from "./PalettesGive.tsx";
import { WaveGive } from "./WaveGive.tsx";
import { TimesGive } from "./TimesGive.tsx";

/** What the chosen lights are told, live: level, position, colour, beam, with palettes and own times. It all goes to the Hand. */
export function GivePanel({ blind }: { blind: boolean }) {
  const { sheet } = useShow();
  const channels = useSelection((choice) => choice.channels);
  const [wanted, setWanted] = useState<Family>("intensity");
  const families = chosenAttributes(sheet, channels);
  const family = families.has(wanted) ? wanted : [...families.keys()][0];
  return (
    <div className="flex flex-col gap-3">
      <ChooseLights />
      {blind && (
        <div className="flex flex-col gap-2">
          <p className="text-quiet">
            The picture shows a cue blind. What is given here goes live, so turn to the stage first; blind values are changed in the Score.
          </p>
          <button type="button" className="btn btn-sm border-neutral" onClick={() => useStageLook.setState({ shows: "stage" })}>
            Turn to the stage
          </button>
        </div>
      )}
      {!blind && family && (
        <>
          <div role="tablist" aria-label="Family" className="flex border-b border-rule">
            {[...families.keys()].map((each) => (
              <button
                key={each}
                type="button"
                role="tab"
                aria-selected={each === family}
                className={`-mb-px border-b-2 px-2 pb-1 text-[13px] ${each === family ? "border-secondary text-secondary" : "border-transparent text-quiet hover:text-base-content"}`}
                onClick={() => setWanted(each)}
              >
                {each === "intensity" ? "level" : each}
              </button>
            ))}
          </div>
          <FamilyGive key={family} channels={channels} family={family} attributes={families.get(family) ?? []} />
        </>
      )}
      {!blind && channels.length === 0 && (
        <p className="text-quiet">
          Click a light in the picture, draw a line around some, take a group, or type <span className="figures">1..6</span> below. What you
          give them goes in hand and on stage at once.
        </p>
      )}
    </div>
  );
}

function FamilyGive({
  channels,
  family,
  attributes,
}: {
  channels: readonly number[];
  family: Family;
  attributes: readonly ChosenAttribute[];
}) {
  const { give, home, lit, othersOut, outputOf } = useHandChange();
  useHand((state) => state.hand);
  useLive((state) => state.run);
  useTicking();
  const [fanned, setFanned] = useState(attributes[0]?.attribute.id);
  const shown = attributes.find(({ attribute }) => attribute.id === fanned) ?? attributes[0];
  const giveTo = (attribute: string, operation: Give): void => {
    give({ channels: [...channels], attributes: [attribute] }, operation);
  };
  return (
    <>
      {family === "colour" && <ColourGive channels={channels} />}
      <div className="flex flex-col gap-1">
        {attributes.map(({ attribute, keys }) => (
          <AttributeRow
            key={attribute.id}
            attribute={attribute}
            values={keys.map(outputOf)}
            onGive={(operation) => giveTo(attribute.id, operation)}
            onFocus={() => setFanned(attribute.id)}
          />
        ))}
      </div>
      {family === "intensity" && (
        <LevelButtons
          onGive={(operation) => giveTo("intensity", operation)}
          onOthersOut={() => othersOut(channels)}
          onLit={() => lit(channels)}
        />
      )}
      <div className="flex gap-1">
        {family !== "intensity" && (
          <button
            type="button"
            className="btn flex-1 border-neutral btn-xs font-normal"
            title={`${family} of the chosen lights to its resting value; typed: 5..8 ${family} home`}
            onClick={() => home({ channels: [...channels], families: [family] })}
          >
            Home
          </button>
        )}
        <button
          type="button"
          className="btn flex-1 border-neutral btn-xs font-normal"
          title={`Nothing is said of their ${family === "intensity" ? "level" : family} any more, in its own time where one is given below; typed: 5..8 ${family} release`}
          onClick={() => give({ channels: [...channels], families: [family] }, { release: true })}
        >
          Release
        </button>
      </div>
      {shown && shown.keys.length > 1 && (
        <div>
          <p className="mb-0.5 text-[13px] text-quiet">
            {shown.attribute.name ?? shown.attribute.id} over the lights: drag the ends or the middle
          </p>
          <FanStrip
            attribute={shown.attribute}
            values={shown.keys.map(outputOf)}
            onFan={(fan) => giveTo(shown.attribute.id, { set: fan })}
          />
        </div>
      )}
      {family === "position" && (
        <p className="text-[13px] text-quiet">Or drag a ring in the picture; with Alt all chosen lights go to one place.</p>
      )}
      <PalettesGive channels={channels} family={family} />
      <TimesGive channels={channels} family={family} />
      <WaveGive channels={channels} attributes={attributes.filter(({ attribute }) => !attribute.snap)} />
    </>
  );
}

/** Levels that are given with one press. */
const LEVELS = [
  ["Full", { set: 100 }],
  ["Half", { set: 50 }],
  ["Out", { set: 0 }],
  ["+5", { add: 5 }],
  ["−5", { add: -5 }],
] as const;

interface LevelButtonsProps {
  onGive: (operation: Give) => void;
  onOthersOut: () => void;
  onLit: () => void;
}

function LevelButtons({ onGive, onOthersOut, onLit }: LevelButtonsProps) {
  return (
    <>
      <div className="flex gap-1.5">
        {LEVELS.map(([word, operation]) => (
          <button key={word} type="button" className="btn btn-xs flex-1 border-neutral px-1 font-normal" onClick={() => onGive(operation)}>
            {word}
          </button>
        ))}
      </div>
      <div className="flex gap-1.5">
        <button
          type="button"
          className="btn btn-xs flex-1 border-neutral font-normal"
          title="Full, and everything else of them at home; typed: 5 lit"
          onClick={onLit}
        >
          Lit, at home
        </button>
        <button
          type="button"
          className="btn btn-xs flex-1 border-neutral font-normal"
          title="Every other light that is lit goes out; typed: 5 = 50 others out"
          onClick={onOthersOut}
        >
          Others out
        </button>
      </div>
    </>
  );
}

const TICK = 300;

/** Values fade, so what the fields show is read anew a few times a second. Milliseconds. */
function useTicking(): void {
  const [, tick] = useReducer((count: number) => count + 1, 0);
  useEffect(() => {
    const ticking = setInterval(tick, TICK);
    return () => clearInterval(ticking);
  }, []);
}
