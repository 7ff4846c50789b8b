import { type Grand, count, valueWords } from "@zm/core";

/** What holds levels down or keys where they are, in words; empty where nothing does. A show that is dark must be seen to be, in every view. */
export function grandWords(grand: Grand | undefined): string {
  if (!grand) return "";
  const { solo, identify = [], parked = {} } = grand;
  const lights = new Set(Object.keys(parked).map((name) => name.slice(0, name.indexOf("."))));
  return [
    ...(grand.blackout.to > 0 ? ["Blackout"] : []),
    ...(grand.blackout.to === 0 && grand.master.to < 100 ? [`Grand master ${valueWords(grand.master.to)} %`] : []),
    ...(solo ? [`Solo ${"list" in solo ? solo.list : solo.look}`] : []),
    ...(identify.length > 0 ? [`${count(identify.length, "light")} flash${identify.length === 1 ? "es" : ""}`] : []),
    ...(lights.size > 0 ? [`${lights.size} parked`] : []),
  ].join(", ");
}
