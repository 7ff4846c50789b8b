import { Link } from "react-router";
import { EmptyView } from "../shared/EmptyView.tsx";
import { useShow } from "../show/useShow.ts";

/** Over a stage without lights: where they are made. */
export function EmptyStage() {
  const { id, sheet } = useShow();
  return (
    <div className="absolute inset-0 z-10 grid place-items-center text-base-content">
      <EmptyView
        title="No light hangs here yet"
        words="Lights are made in the Rig: a type first, then a row of lights of it. They hang over the stage until they are given a place."
      >
        <Link className="btn btn-primary btn-sm" to={`/show/${id}/rig/${sheet.show.fixtureTypes.length === 0 ? "types" : "lights"}`}>
          Go to the Rig
        </Link>
      </EmptyView>
    </div>
  );
}
