import { NavLink } from "react-router";
import { useShow } from "../show/useShow.ts";

/** The two ways in which a show is looked through: as it is written, and as it would run. */
export function CheckTabs() {
  const { id } = useShow();
  const tab = ({ isActive }: { isActive: boolean }): string =>
    `flex h-8 items-center border-b-2 ${isActive ? "border-primary font-bold" : "border-transparent text-quiet hover:text-base-content"}`;
  return (
    <nav aria-label="How the show is looked through" className="flex gap-3">
      <NavLink end to={`/show/${id}/check`} className={tab}>
        As written
      </NavLink>
      <NavLink to={`/show/${id}/check/rehearsal`} className={tab}>
        Rehearsal
      </NavLink>
    </nav>
  );
}
