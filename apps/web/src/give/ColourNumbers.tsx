import { KELVIN, type Light, hueOf, lightOfHue, lightOfKelvin } from "@zm/core";
import { create } from "zustand";
import { NumberField } from "../shared/NumberField.tsx";
import { Toggle } from "../shared/Toggle.tsx";

const MODELS = ["hue", "rgb", "cmy", "white"] as const;
type Model = (typeof MODELS)[number];
const WORDS: Readonly<Record<Model, string>> = { hue: "Hue", rgb: "RGB", cmy: "CMY", white: "White" };

/** The model in which colours are entered; it stays for as long as the window does. */
const useModel = create<{ readonly model: Model }>(() => ({ model: "hue" }));

interface ColourNumbersProps {
  light: Light;
  onGive: (light: Light) => void;
}

/** A colour in the numbers of the model that one knows: hue and saturation, red green blue, what is taken out of white, or a white by its kelvin. */
export function ColourNumbers({ light, onGive }: ColourNumbersProps) {
  const { model } = useModel();
  return (
    <div className="flex flex-col gap-1.5" role="group" aria-label="Colour in numbers">
      <div className="flex gap-1">
        {MODELS.map((each) => (
          <Toggle key={each} pressed={each === model} onClick={() => useModel.setState({ model: each })}>
            {WORDS[each]}
          </Toggle>
        ))}
      </div>
      <Fields model={model} light={light} onGive={onGive} />
    </div>
  );
}

function Fields({ model, light, onGive }: ColourNumbersProps & { model: Model }) {
  if (model === "white")
    return (
      <Row>
        <Part
          name="kelvin"
          value={undefined}
          min={KELVIN.least}
          max={KELVIN.most}
          hint="3200"
          onTake={(kelvin) => onGive(lightOfKelvin(kelvin))}
        />
        {[2000, 3200, 4300, 5600].map((kelvin) => (
          <button
            key={kelvin}
            type="button"
            className="btn btn-xs border-neutral px-1 font-normal"
            aria-label={`${kelvin} kelvin`}
            onClick={() => onGive(lightOfKelvin(kelvin))}
          >
            {kelvin}
          </button>
        ))}
      </Row>
    );
  if (model === "hue") {
    const now = hueOf(light);
    return (
      <Row>
        <Part name="hue" value={now.hue} max={360} onTake={(hue) => onGive(lightOfHue({ ...now, hue }))} />
        <Part name="saturation" value={now.saturation} max={100} onTake={(saturation) => onGive(lightOfHue({ ...now, saturation }))} />
        <Part name="value" value={now.value} max={100} onTake={(value) => onGive(lightOfHue({ ...now, value }))} />
      </Row>
    );
  }
  const taken = model === "cmy";
  const names = taken ? ["cyan", "magenta", "yellow"] : ["red", "green", "blue"];
  return (
    <Row>
      {(["red", "green", "blue"] as const).map((part, place) => (
        <Part
          key={part}
          name={names[place] ?? part}
          value={(taken ? 1 - light[part] : light[part]) * 100}
          max={100}
          onTake={(value) => onGive({ ...light, [part]: taken ? 1 - value / 100 : value / 100 })}
        />
      ))}
    </Row>
  );
}

function Row({ children }: { children: React.ReactNode }) {
  return <div className="flex items-end gap-1.5">{children}</div>;
}

interface PartProps {
  name: string;
  value: number | undefined;
  min?: number;
  max: number;
  hint?: string;
  onTake: (value: number) => void;
}

function Part({ name, value, min = 0, max, hint, onTake }: PartProps) {
  return (
    <label className="flex min-w-0 flex-1 flex-col text-[13px] text-quiet">
      {name}
      <NumberField
        label={name}
        value={value === undefined ? undefined : Math.round(value)}
        min={min}
        max={max}
        hint={hint}
        onTake={(next) => next !== null && onTake(next)}
      />
    </label>
  );
}
