import { AxeBuilder } from "@axe-core/playwright";
import { expect, test } from "@playwright/test";
import { openView, ownShow } from "../support/show.ts";

for (const view of ["score", "stage", "run"] as const) {
  for (const theme of ["desk", "foolscap"] as const) {
    test(`${view} in ${theme} has no serious finding`, async ({ page, request }) => {
      await page.addInitScript((name) => localStorage.setItem("zealous-mark-theme", name), theme);
      await openView(page, await ownShow(request), view);
      await page.getByText("Night sea").first().click();
      const { violations } = await new AxeBuilder({ page }).analyze();
      const serious = violations.filter((each) => each.impact === "serious" || each.impact === "critical");
      expect(serious.map((each) => `${each.id}: ${each.nodes.map((node) => node.html.slice(0, 120)).join(" | ")}`)).toEqual([]);
    });
  }
}

test("? shows the keys, Escape puts them away", async ({ page, request }) => {
  await openView(page, await ownShow(request));
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Keys" })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("dialog", { name: "Keys" })).toBeHidden();
});
