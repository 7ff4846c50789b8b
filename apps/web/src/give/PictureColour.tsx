import type { Light } from "@zm/core";
import { Pipette } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { Modal } from "../shared/Modal.tsx";
import { notify } from "../shared/notices.ts";
import { FileField } from "../shared/FileField.tsx";

const WIDEST = 720;
const HIGHEST = 460;

/** A colour taken from a picture that the user opens: a painting, a photograph of the set, a costume. The picture stays in this window. */
export function PictureColour({ onTake }: { onTake: (light: Light) => void }) {
  const [picture, setPicture] = useState<ImageBitmap | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const open = async (chosen: File): Promise<void> => {
    try {
      setPicture(await createImageBitmap(chosen));
    } catch {
      notify(`${chosen.name} is no picture that can be opened`, "trouble");
    }
  };
  return (
    <>
      <button type="button" className="btn btn-xs border-neutral gap-1 font-normal" onClick={() => file.current?.click()}>
        <Pipette size={13} /> From a picture …
      </button>
      <FileField ref={file} accept="image/*" label="Picture to take a colour from" onFile={open} />
      {picture && <PickFrom picture={picture} onTake={onTake} onClose={() => setPicture(null)} />}
    </>
  );
}

function PickFrom({ picture, onTake, onClose }: { picture: ImageBitmap; onTake: (light: Light) => void; onClose: () => void }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [seen, setSeen] = useState<Light | null>(null);
  const scale = Math.min(1, WIDEST / picture.width, HIGHEST / picture.height);
  useEffect(() => {
    canvas.current?.getContext("2d", { willReadFrequently: true })?.drawImage(picture, 0, 0, picture.width * scale, picture.height * scale);
  }, [picture, scale]);
  const at = (event: React.PointerEvent<HTMLCanvasElement>): Light | null => {
    const box = event.currentTarget.getBoundingClientRect();
    const data = event.currentTarget.getContext("2d")?.getImageData(event.clientX - box.left, event.clientY - box.top, 1, 1).data;
    return data ? { red: (data[0] ?? 0) / 255, green: (data[1] ?? 0) / 255, blue: (data[2] ?? 0) / 255 } : null;
  };
  return (
    <Modal label="A colour from a picture" onClose={onClose} className="w-auto">
      <div className="flex flex-col gap-2 p-4">
        <p className="flex items-center gap-2">
          <span className="size-6 rounded border border-neutral" style={{ background: seen ? css(seen) : "transparent" }} />
          Press a place of the picture: its colour goes to the chosen lights, in hand. Esc closes.
        </p>
        <canvas
          ref={canvas}
          width={Math.round(picture.width * scale)}
          height={Math.round(picture.height * scale)}
          className="cursor-crosshair"
          onPointerMove={(event) => setSeen(at(event))}
          onPointerDown={(event) => {
            const light = at(event);
            if (light) onTake(light);
          }}
        />
      </div>
    </Modal>
  );
}

function css({ red, green, blue }: Light): string {
  return `rgb(${Math.round(red * 255)} ${Math.round(green * 255)} ${Math.round(blue * 255)})`;
}
