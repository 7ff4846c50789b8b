import { type Channel, type EditInput, type Group, type Show, count, emptyShow, lightRuns, sameData } from "@zm/core";
import { type FileReading, type ReadingContext, type ReadingQuestion, type SourceFile, type Wishes, answerOf } from "../reading/reading.ts";
import { type DrawnRig, rigOfScene, showOfRig } from "./rigOfScene.ts";
import { readMvr } from "./scene.ts";

/** Reads a drawing for the door: as a rig of its own, and against the rig of the show that is open: what came, went, moved, is patched elsewhere or is another light. */
export function mvrReading({ name, bytes }: SourceFile, title: string, { sheet, wishes }: ReadingContext): FileReading {
  const rig = rigOfScene(readMvr(bytes, name), sheet?.show.fixtureTypes ?? []);
  const whole = [
    `${count(rig.channels.length, "light")}, ${count(rig.types.length, "type")} from files, ${count(rig.groups.length, "group")} of layers and classes`,
  ];
  const alone = { remarks: rig.remarks, questions: [], made: whole };
  if (!sheet) return { ...alone, show: showOfRig(emptyShow(title), rig) };
  const { differences, questions, edits } = against(rig, sheet.show, wishes);
  const made = edits.length === 0 ? ["Nothing: the rig is what the drawing shows"] : [...whole, ...differences];
  // A drawing of types that this show has already is no show by itself.
  const missing = rig.channels.some(({ type }) => !rig.types.some(({ id }) => id === type));
  return { ...alone, questions, made, edits, ...(missing ? {} : { show: showOfRig(emptyShow(title), rig) }) };
}

interface Compared {
  readonly differences: string[];
  readonly questions: ReadingQuestion[];
  readonly edits: EditInput[];
}

function against(rig: DrawnRig, show: Show, wishes: Wishes): Compared {
  const before = new Map(show.channels.map((channel) => [channel.number, channel]));
  const drawn = new Set(rig.channels.map(({ number }) => number));
  const gone = show.channels.filter(({ number }) => !drawn.has(number));
  const leave: ReadingQuestion = {
    id: "gone",
    words: `${count(gone.length, "light")} of this rig that the drawing does not show: ${lightRuns(gone.map(({ number }) => number))}`,
    answers: [
      { id: "stay", words: "stay" },
      { id: "go", words: "go, with what cues say of them" },
    ],
  };
  const changed = rig.channels.flatMap((channel): Channel[] => {
    const own = withUndrawn(channel, before.get(channel.number));
    return sameData(before.get(channel.number), own) ? [] : [own];
  });
  const usedTypes = new Set(changed.map(({ type }) => type));
  const types = rig.types.filter(
    (type) =>
      usedTypes.has(type.id) &&
      !sameData(
        show.fixtureTypes.find(({ id }) => id === type.id),
        type,
      ),
  );
  const groups = rig.groups.filter((group) => !show.groups.some((each) => sameGroup(each, group)));
  const isLeaving = gone.length > 0 && answerOf(leave, wishes) === "go";
  return {
    questions: gone.length > 0 ? [leave] : [],
    differences: [...differencesOf(changed, before), ...(isLeaving ? [`gone: ${lightRuns(gone.map(({ number }) => number))}`] : [])],
    edits: [
      ...types.map((type): EditInput => ({ op: "setType", type })),
      ...changed.map((channel): EditInput => ({ op: "setChannel", channel })),
      ...groups.map((group): EditInput => ({
        op: "setGroup",
        group: { ...group, id: show.groups.find(({ label }) => label === group.label)?.id ?? group.id },
      })),
      ...(isLeaving ? gone.map(({ number }): EditInput => ({ op: "removeChannel", channel: number, used: "drop" })) : []),
    ],
  };
}

function sameGroup(a: Group, b: Group): boolean {
  return a.label === b.label && [...a.channels].sort((x, y) => x - y).join() === b.channels.join();
}

/** A drawn light with what no drawing tells: that it stays in the dark, and where hands have focused it. */
function withUndrawn(drawn: Channel, before: Channel | undefined): Channel {
  if (!before) return drawn;
  const aim = drawn.place?.aim ?? before.place?.aim;
  const { house } = before;
  return {
    ...drawn,
    ...(drawn.label === undefined && before.label !== undefined ? { label: before.label } : {}),
    ...(drawn.patch === undefined && before.patch ? { patch: before.patch } : {}),
    ...(drawn.place ? { place: { ...drawn.place, ...(aim ? { aim } : {}) } } : {}),
    ...(house ? { house } : {}),
  };
}

/** A sentence for each way in which lights are otherwise, with the lights. */
function differencesOf(changed: readonly Channel[], before: ReadonlyMap<number, Channel>): string[] {
  const ways: readonly (readonly [string, (now: Channel, was: Channel) => boolean])[] = [
    ["another type", (now, was) => now.type !== was.type],
    ["patched elsewhere", (now, was) => !sameData(now.patch, was.patch)],
    ["moved or turned", (now, was) => !sameData(now.place, was.place)],
    ["called otherwise", (now, was) => now.label !== was.label],
  ];
  const fresh = changed.filter(({ number }) => !before.has(number)).map(({ number }) => number);
  return [
    ...(fresh.length > 0 ? [`new: ${lightRuns(fresh)}`] : []),
    ...ways.flatMap(([words, is]) => {
      const own = changed.filter((now) => {
        const was = before.get(now.number);
        return was !== undefined && is(now, was);
      });
      return own.length > 0 ? [`${words}: ${lightRuns(own.map(({ number }) => number))}`] : [];
    }),
  ];
}
