import type { ListSheet } from "@zm/core";
import { useSheetView } from "../choice/sheetView.ts";
import { lensKeys } from "../cells/cells.ts";
import { cellStory, waveStory } from "../cells/story.ts";
import { useShow } from "../show/useShow.ts";

/** Where the chosen cell's values come from, and which cue ends each. */
export function ValueStory({ list, row, channel }: { list: ListSheet; row: number; channel: number }) {
  const lens = useSheetView((choice) => choice.lens);
  const { sheet } = useShow();
  const light = sheet.show.channels.find((each) => each.number === channel);
  const stories = lensKeys(list, channel, lens).map((key) => ({ name: key.attribute.id, story: cellStory(list, key, row) }));
  const waves = lensKeys(list, channel, lens).flatMap((key) => {
    const wave = waveStory(list, key, row);
    return wave ? [{ name: key.attribute.id, ...wave }] : [];
  });
  const merged = lens === "colour" ? mergeAlike(stories) : stories;
  return (
    <section aria-label="Where it comes from" className="border-t border-rule pt-3">
      <h2 className="font-bold">{light?.label ? `${channel} ${light.label}` : `Light ${channel}`}</h2>
      <dl className="mt-1 space-y-1.5">
        {merged.map(({ name, story }) => (
          <div key={name}>
            <dt className="flex justify-between">
              <span className="text-quiet">{name}</span>
              <span className="figures">{story.value}</span>
            </dt>
            <dd className="text-[13px] leading-snug text-quiet">
              {story.from}
              {story.until && `, ${story.until}`}
            </dd>
          </div>
        ))}
        {waves.map(({ name, value, from }) => (
          <div key={`wave ${name}`}>
            <dt className="flex justify-between gap-2">
              <span className="text-quiet">{name} sways</span>
              <span className="figures text-right">{value}</span>
            </dt>
            <dd className="text-[13px] leading-snug text-quiet">{from}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}

type Told = { name: string; story: ReturnType<typeof cellStory> };

/** Colour keys that share their story are told once. */
function mergeAlike(stories: readonly Told[]): Told[] {
  const merged: Told[] = [];
  for (const { name, story } of stories) {
    const alike = merged.find((each) => each.story.from === story.from && each.story.until === story.until);
    if (!alike) merged.push({ name, story });
    else {
      alike.name = `${alike.name} ${name}`;
      alike.story = { ...alike.story, value: `${alike.story.value.split(" (")[0]} ${story.value}` };
    }
  }
  return merged;
}
