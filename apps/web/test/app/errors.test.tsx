import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { Outlet, createMemoryRouter } from "react-router";
import { RouterProvider } from "react-router/dom";
import { ErrorPage, ViewErrorPage } from "../../src/app/ErrorPage.tsx";
import { PartBoundary } from "../../src/app/PartBoundary.tsx";
import { Refusal } from "../../src/show/api.ts";

/** React tells the console of what a boundary has caught; here that is what is meant to happen. */
const { error } = console;
beforeAll(() => {
  console.error = () => undefined;
});
afterAll(() => {
  console.error = error;
});

function open(answer: () => string): void {
  const loader = async (): Promise<string> => {
    await new Promise((resolve) => setTimeout(resolve, 20));
    return answer();
  };
  const router = createMemoryRouter([
    { path: "/", loader, Component: () => <p>the show is here</p>, ErrorBoundary: ErrorPage, HydrateFallback: () => <p>opening</p> },
  ]);
  render(<RouterProvider router={router} />);
}

test("a show that is not there is said in the server's words, with the way to one that is", async () => {
  open(() => {
    throw new Refusal("There is no show number 99", []);
  });
  expect((await screen.findByRole("alert")).textContent).toBe("There is no show number 99");
  expect(screen.getByRole("link", { name: "Open a show that is there" }).getAttribute("href")).toBe("/");
  expect(screen.queryByText(/asked again/)).toBeNull();
});

test("a server that is away is asked again by itself, and the show opens when it is back", async () => {
  let asked = 0;
  open(() => {
    asked += 1;
    if (asked < 3) throw new Refusal("The server does not answer", [], { passing: true });
    return "here";
  });
  expect((await screen.findByRole("alert")).textContent).toBe("The server does not answer");
  expect(screen.queryByText(/asked again every two seconds/)).not.toBeNull();
  expect(await screen.findByText("the show is here", {}, { timeout: 8000 })).not.toBeNull();
  expect(asked).toBe(3);
}, 15_000);

test("a view that fails takes nothing else with it, and says how to go on", async () => {
  const Broken = (): never => {
    throw new Error("the wheel has 9 slots");
  };
  const router = createMemoryRouter(
    [
      {
        path: "/show/:showId",
        Component: () => (
          <>
            <p>the frame</p>
            <Outlet />
          </>
        ),
        children: [{ path: "stage", Component: Broken, ErrorBoundary: ViewErrorPage }],
      },
    ],
    { initialEntries: ["/show/7/stage"] },
  );
  render(<RouterProvider router={router} />);
  expect((await screen.findByRole("alert")).textContent).toBe("the wheel has 9 slots");
  expect(screen.queryByText("the frame")).not.toBeNull();
  expect(screen.getByRole("link", { name: "To the Score" }).getAttribute("href")).toBe("/show/7/score");
});

test("a part of the frame that fails stands alone, and can be tried again", async () => {
  let broken = true;
  const Part = () => {
    if (broken) throw new Error("no cue 12");
    return <p>the inspector</p>;
  };
  render(
    <>
      <PartBoundary what="The inspector">
        <Part />
      </PartBoundary>
      <p>the Score</p>
    </>,
  );
  expect(screen.getByRole("region", { name: "The inspector has stopped" }).textContent).toContain("no cue 12");
  expect(screen.queryByText("the Score")).not.toBeNull();
  broken = false;
  await userEvent.click(screen.getByRole("button", { name: "Try it again" }));
  expect(screen.queryByText("the inspector")).not.toBeNull();
});
