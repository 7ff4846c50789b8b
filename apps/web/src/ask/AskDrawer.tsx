import { type Found, type Question as Asked, type Relation, foundWords } from "@zm/core";
import { useEffect, useState } from "react";
import { targetNow } from "../choice/lineText.ts";
import { chosenLights, useSelection } from "../choice/selection.ts";
import { readText } from "../line/readText.ts";
import { Picker } from "../pick/Picker.tsx";
import { TextAnswer } from "../pick/fields.tsx";
import { useDialogs } from "../shared/dialogs.ts";
import { Answers, Question } from "../shared/Question.tsx";
import { SelectField } from "../shared/SelectField.tsx";
import { useGoToCue } from "../show/useGoToCue.ts";
import { useList, useShow } from "../show/useShow.ts";
import { toggleShelf, useShelf } from "../shelf/useShelf.ts";
import { type AskEntry, TIME_COLUMNS, askSentence, entryOf, thenSentence } from "./askSentence.ts";
import { keepAsked, useFound } from "./asked.ts";

const RELATIONS: readonly (readonly [Relation, string])[] = [
  [">", "above"],
  [">=", "at least"],
  ["<", "below"],
  ["<=", "at most"],
  ["=", "exactly"],
];

/** More are not listed one by one; the walk goes to all of them. */
const LISTED = 200;

/** Which cues …: a question, the cues that it finds, and what is done in all of them at once. */
export function AskDrawer({ asked }: { asked: Asked | "new" }) {
  const [entry, setEntry] = useState<AskEntry>(() => entryOf(asked, chosenLights() ?? []));
  const change = (fields: Partial<AskEntry>): void => setEntry({ ...entry, ...fields });
  const { question, fault } = useQuestion(askSentence(entry));
  const found = useFound(question);
  return (
    <Picker
      title="Which cues …"
      text={found.some((each) => "cue" in each) ? thenSentence(entry) : ""}
      wanting="What is done to all of them stands here, with its impact, before it is made."
      onClose={() => useDialogs.setState({ ask: null })}
      onMade={() => change({ then: "" })}
    >
      <Answers
        wide
        name="which cues"
        value={entry.about}
        answers={[
          ["value", "show a value"],
          ["shows", "show a palette"],
          ["moves", "move a light"],
          ["time", "have a time"],
          ["uses", "use a thing"],
        ]}
        onTake={(about) => change({ about })}
      />
      <QuestionFields entry={entry} onChange={change} />
      {fault !== null && (
        <p role="alert" className="text-error">
          {fault}
        </p>
      )}
      {question && <FoundList found={found} />}
      {question && found.some((each) => "cue" in each) && (
        <Question wide name="in all of them">
          <TextAnswer
            label="what is done in all of them"
            placeholder={'12 = 40   or   up 5   or   note "…"'}
            value={entry.then}
            onTake={(then) => change({ then })}
          />
        </Question>
      )}
    </Picker>
  );
}

/** The question that a sentence asks, kept for the walk; or why it cannot be read. Both null while it is not whole. */
function useQuestion(text: string): { question: Asked | null; fault: string | null } {
  const { sheet } = useShow();
  const list = useList();
  const read = text === "" ? null : readText(text, { ...targetNow(), blind: true }, sheet);
  const request = read && "request" in read && read.request.kind === "ask" ? read.request : null;
  // The questions of one sentence are the same data, so one object stands for them.
  const key = request ? JSON.stringify(request.question) : null;
  const [question, setQuestion] = useState<Asked | null>(null);
  useEffect(() => {
    setQuestion(request?.question ?? null);
    if (request) keepAsked(request.question, list.id);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- told apart by what they say
  }, [key, list.id]);
  return { question: request ? question : null, fault: read && "fault" in read ? read.fault.message : null };
}

interface FieldsProps {
  entry: AskEntry;
  onChange: (change: Partial<AskEntry>) => void;
}

/** What has to be known for the kind of question that is asked. */
function QuestionFields({ entry, onChange }: FieldsProps) {
  const { sheet } = useShow();
  const { about, lights, attribute, is, value, column, palette, used } = entry;
  const { palettes } = sheet.show;
  const attributes = [...new Set(sheet.keys.all.map((key) => key.attribute.id))].filter((name) => name !== "intensity");
  return (
    <>
      {(about === "value" || about === "shows" || about === "moves") && (
        <Question wide name={about === "moves" ? "these lights" : "of lights"}>
          <TextAnswer
            label="lights that are asked for"
            placeholder="12   or   @front"
            value={lights}
            autoFocus
            onTake={(text) => onChange({ lights: text })}
          />
          {about === "value" && (
            <SelectField
              label="attribute that is asked for"
              value={attribute}
              options={[["", "level"], ...attributes.map((name) => [name, name] as const)]}
              onTake={(name) => onChange({ attribute: name })}
            />
          )}
        </Question>
      )}
      {about === "shows" && (
        <Question wide name="by the palette">
          <SelectField
            label="palette that is asked for"
            value={palette}
            options={[["", "choose one"], ...palettes.map(({ id, label }) => [id, label || id] as const)]}
            onTake={(id) => onChange({ palette: id })}
          />
        </Question>
      )}
      {about === "time" && (
        <Question wide name="whose time">
          <SelectField label="time that is asked for" value={column} options={TIME_COLUMNS} onTake={(name) => onChange({ column: name })} />
        </Question>
      )}
      {(about === "value" || about === "time") && (
        <Question wide name="is">
          <SelectField label="how it is compared" value={is} options={RELATIONS} onTake={(relation) => onChange({ is: relation })} />
          <TextAnswer
            label="value that is asked for"
            placeholder={about === "time" ? "seconds" : "50"}
            value={value}
            onTake={(text) => onChange({ value: text })}
          />
        </Question>
      )}
      {about === "uses" && <UsedField used={used} onTake={(id) => onChange({ used: id })} />}
    </>
  );
}

/** What is used, by its name, kind by kind. */
function UsedField({ used, onTake }: { used: string; onTake: (id: string) => void }) {
  const { palettes, groups, paces, lists, heldLooks = [], tempos = [] } = useShow().sheet.show;
  const uses: readonly (readonly [string, readonly { id: string; label: string }[]])[] = [
    ["Palettes", palettes],
    ["Groups", groups],
    ["Paces", paces],
    ["Lists", lists],
    ["Held looks", heldLooks],
    ["Tempos", tempos],
  ];
  return (
    <Question wide name="what is used">
      <select
        aria-label="what is used"
        className="select select-sm min-w-0 flex-1 bg-base-100"
        value={used}
        onChange={(event) => onTake(event.target.value)}
      >
        <option value="">choose one</option>
        {uses.map(([name, all]) =>
          all.length === 0 ? null : (
            <optgroup key={name} label={name}>
              {all.map(({ id, label }) => (
                <option key={id} value={id}>
                  {label || id}
                </option>
              ))}
            </optgroup>
          ),
        )}
      </select>
    </Question>
  );
}

/** The cues and held looks that were found, each with why; pressed it is gone to. */
function FoundList({ found }: { found: readonly Found[] }) {
  const { sheet } = useShow();
  const worked = useList();
  const chosen = useSelection((choice) => choice.cueEnd);
  const goTo = useGoToCue();
  if (found.length === 0) return <p className="text-quiet">No cue is like that.</p>;
  return (
    <section aria-label="What is found" className="flex shrink-0 flex-col">
      <p className="flex items-baseline gap-2 text-[13px] text-quiet">
        <span role="status" className="flex-1 font-semibold">
          {foundWords(found)}
        </span>
        g and Shift G walk them
      </p>
      <ul className="max-h-44 overflow-y-auto">
        {found.slice(0, LISTED).map((each) => {
          const isLook = "look" in each;
          const cue = isLook ? undefined : sheet.lists.get(each.list)?.cues.find(({ number }) => number === each.cue);
          const look = isLook ? sheet.show.heldLooks?.find(({ id }) => id === each.look) : undefined;
          const here = !isLook && each.list === worked.id && each.cue === chosen;
          return (
            <li key={isLook ? each.look : `${each.list}/${each.cue}`}>
              <button
                type="button"
                aria-current={here}
                className={`flex min-h-7 w-full items-center gap-2 rounded px-1 text-left hover:bg-base-300 ${here ? "bg-base-300 font-semibold" : ""}`}
                onClick={() => (isLook ? showShelf() : goTo(each.list, each.cue))}
              >
                <span className="figures w-12 shrink-0 text-right">{isLook ? "look" : each.cue}</span>
                <span className="min-w-0 flex-1 truncate">{isLook ? look?.label || each.look : cue?.label}</span>
                {!isLook && each.list !== worked.id && (
                  <span className="text-[13px] text-quiet">{sheet.lists.get(each.list)?.list.label || each.list}</span>
                )}
                <span className="figures max-w-40 shrink-0 truncate text-[13px] text-quiet">{each.why}</span>
              </button>
            </li>
          );
        })}
      </ul>
      {found.length > LISTED && <p className="text-[13px] text-quiet">and {found.length - LISTED} more; the walk goes to all of them</p>}
    </section>
  );
}

function showShelf(): void {
  if (!useShelf.getState().open) toggleShelf();
}
