import { Link } from "react-router";
import { useShow } from "./useShow.ts";

/** Leads to where lights are made: to the types first where there are none. */
export function RigLink() {
  const { id, sheet } = useShow();
  return (
    <Link className="btn btn-primary btn-sm" to={`/show/${id}/rig/${sheet.show.fixtureTypes.length === 0 ? "types" : "lights"}`}>
      Go to the Rig
    </Link>
  );
}
