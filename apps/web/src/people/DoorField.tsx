interface DoorFieldProps extends React.ComponentProps<"input"> {
  label: string;
}

/** A field of the door, with its name above it. */
export function DoorField({ label, ...input }: DoorFieldProps) {
  return (
    <label className="flex flex-col gap-1 text-[13px] text-quiet">
      {label}
      <input className="input w-full bg-base-200 text-[15px] text-base-content" {...input} />
    </label>
  );
}
