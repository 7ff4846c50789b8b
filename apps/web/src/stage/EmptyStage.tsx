import { EmptyView } from "../shared/EmptyView.tsx";
import { RigLink } from "../show/RigLink.tsx";

/** Over a stage without lights: where they are made. */
export function EmptyStage() {
  return (
    <div className="absolute inset-0 z-10 grid place-items-center text-base-content">
      <EmptyView
        title="No light hangs here yet"
        words="Lights are made in the Rig: a type first, then a row of lights of it. They hang over the stage until they are given a place."
      >
        <RigLink />
      </EmptyView>
    </div>
  );
}
