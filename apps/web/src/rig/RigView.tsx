import { NavLink, useParams } from "react-router";
import { useShow } from "../show/useShow.ts";
import { SpineColumn } from "../spine/SpineColumn.tsx";
import { GroupsTab } from "./GroupsTab.tsx";
import { LightsTab } from "./LightsTab.tsx";
import { OscTab } from "./OscTab.tsx";
import { OutputTab } from "./OutputTab.tsx";
import { PacesTab } from "./PacesTab.tsx";
import { PalettesTab } from "./PalettesTab.tsx";
import { TypesTab } from "./TypesTab.tsx";

const TABS = [
  ["lights", "Lights"],
  ["types", "Types"],
  ["groups", "Groups"],
  ["palettes", "Palettes"],
  ["paces", "Paces"],
  ["output", "Output"],
  ["osc", "OSC"],
] as const;

/** Number and label alone: here the tables want the room. */
const SPINE = 200;

/** What is prepared before the first cue: lights and their types, groups, palettes and paces. */
export function RigView() {
  const { tab = "lights" } = useParams();
  const { id, sheet } = useShow();
  const { show } = sheet;
  const counts = {
    lights: show.channels.length,
    types: show.fixtureTypes.length,
    groups: show.groups.length,
    palettes: show.palettes.length,
    paces: show.paces.length,
    output: null,
    osc: null,
  };
  return (
    <div className="flex h-full">
      <SpineColumn width={SPINE} />
      <div className="flex min-w-0 flex-1 flex-col">
        <nav
          aria-label="Rig"
          className="flex h-9 shrink-0 items-stretch gap-1 overflow-x-auto border-b border-rule px-3 max-[1199px]:gap-0 max-[1199px]:px-1"
        >
          {TABS.map(([path, word]) => (
            <NavLink
              key={path}
              to={`/show/${id}/rig/${path}`}
              className={`flex items-center gap-1.5 border-b-2 px-3 text-[14px] max-[1199px]:px-2 ${path === tab ? "border-secondary text-secondary" : "border-transparent text-quiet hover:text-base-content"}`}
            >
              {word} <span className="figures text-[13px]">{counts[path]}</span>
            </NavLink>
          ))}
        </nav>
        <div className="min-h-0 flex-1">
          {tab === "lights" && <LightsTab />}
          {tab === "types" && <TypesTab />}
          {tab === "groups" && <GroupsTab />}
          {tab === "palettes" && <PalettesTab />}
          {tab === "paces" && <PacesTab />}
          {tab === "output" && <OutputTab />}
          {tab === "osc" && <OscTab />}
        </div>
      </div>
    </div>
  );
}
