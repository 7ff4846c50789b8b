import { sentence } from "../shared/words.ts";
import { ImpactList } from "./ImpactList.tsx";
import { usePreviewScope } from "./usePreview.ts";
import type { Preview } from "./preview.ts";

/** What an edit under consideration does: what it is, where that is not said beside it, what to know of it, and its impact cue by cue. */
export function DraftImpact({ preview, saysWhat }: { preview: Preview; saysWhat: boolean }) {
  const allLines = usePreviewScope((wanted) => wanted.allLines);
  return (
    <>
      {preview.notes.map((note) => (
        <p key={note} className="mt-1 font-semibold">
          {note}.
        </p>
      ))}
      {preview.changesNothing ? (
        <p className="mt-1 text-quiet">This changes nothing: every cue already is like that.</p>
      ) : (
        <>
          {saysWhat && <p className="mt-0.5">{sentence(preview.description)}</p>}
          <p className="mt-0.5">{sentence(preview.summary)}</p>
          <ImpactList
            label="Impact, cue by cue"
            lines={preview.lines}
            count={preview.count}
            all={allLines}
            onAll={(all) => usePreviewScope.setState({ allLines: all })}
            className="mt-1"
          />
        </>
      )}
    </>
  );
}
