import { AxeBuilder } from "@axe-core/playwright";
import type { Page } from "@playwright/test";

type Theme = "desk" | "foolscap";

/** What of the page is looked at. */
interface Where {
  readonly within?: string;
  readonly without?: readonly string[];
}

/** The serious findings of axe, each with where it stands. The second theme has the same page in other colours, so there contrast alone is asked. */
export async function seriousFindings(page: Page, theme: Theme, { within = "body", without = [] }: Where = {}): Promise<string[]> {
  // A colour on its way from one theme to the other is neither. Its end is not waited for: a browser that has nothing to paint does not always come to it.
  await page.evaluate(() => {
    for (const each of document.getAnimations()) if (each instanceof CSSTransition) each.finish();
  });
  // Half a megabyte of script is brought into a page once.
  const isThere = await page.evaluate(() => "axe" in window);
  // What passes is not asked for, and no page of ours has a frame or a style sheet from elsewhere.
  const axe = new AxeBuilder({ page, ...(isThere ? { axeSource: "void 0" } : {}) })
    .include(within)
    .options({ resultTypes: ["violations"], iframes: false, preload: false })
    .setLegacyMode();
  for (const part of without) axe.exclude(part);
  const { violations } = await (theme === "desk" ? axe : axe.withRules(["color-contrast"])).analyze();
  const serious = violations.filter((each) => each.impact === "serious" || each.impact === "critical");
  return serious.map(
    (each) => `${each.id}: ${each.nodes.map((node) => `${node.html.slice(0, 120)} ${node.any[0]?.message ?? ""}`).join(" | ")}`,
  );
}

/**
 * The serious findings of what is on screen in the one theme, and then in the other; the page is left as it was. The spine of cues, which is the same
 * beside every view, is looked at with the views that have a test of their own.
 */
export async function findingsInBoth(page: Page, within?: string): Promise<string[]> {
  const where: Where = within ? { within } : { without: ['[role="grid"][aria-label="Cues"]'] };
  const wear = (theme: Theme): Promise<void> =>
    page.evaluate((name) => {
      document.documentElement.dataset["theme"] = name;
    }, theme);
  const found = await seriousFindings(page, "desk", where);
  await wear("foolscap");
  const other = await seriousFindings(page, "foolscap", where);
  await wear("desk");
  return [...found, ...other.map((each) => `in foolscap, ${each}`)];
}
