import { type LoaderFunctionArgs, type RouteObject, redirect } from "react-router";
import { lastOpened } from "../show/lastOpened.ts";
import { showQuery, showsQuery } from "../show/openShow.ts";
import { DOOR, JOIN } from "../show/me.ts";
import { queryClient } from "../show/queryClient.ts";
import { ScoreView } from "../score/ScoreView.tsx";
import { ErrorPage, ViewErrorPage } from "./ErrorPage.tsx";
import { Frame, Opening } from "./Frame.tsx";
import { NoShow } from "./NoShow.tsx";
import {
  loadBookView,
  loadCheckView,
  loadHistoryView,
  loadLogView,
  loadPaperView,
  loadPlannerView,
  loadRehearsalView,
  loadRigView,
  loadRunView,
  loadStageView,
  loadSignInPage,
  loadJoinPage,
  loadWatchView,
} from "./parts.ts";

/** Every view has its own address under the show it belongs to. What a view needs is there before it is shown. */
export const routes: RouteObject[] = [
  {
    HydrateFallback: Opening,
    ErrorBoundary: ErrorPage,
    children: [
      { index: true, loader: loadFirstShow, Component: NoShow, ErrorBoundary: ErrorPage },
      {
        path: "show/:showId",
        loader: loadShow,
        Component: Frame,
        ErrorBoundary: ErrorPage,
        children: [
          { index: true, loader: () => redirect("score") },
          { path: "score", Component: ScoreView, ErrorBoundary: ViewErrorPage },
          { path: "stage", lazy: { Component: loadStageView }, ErrorBoundary: ViewErrorPage },
          { path: "rig/:tab?", lazy: { Component: loadRigView }, ErrorBoundary: ViewErrorPage },
          { path: "check", lazy: { Component: loadCheckView }, ErrorBoundary: ViewErrorPage },
          { path: "check/rehearsal", lazy: { Component: loadRehearsalView }, ErrorBoundary: ViewErrorPage },
          { path: "book", lazy: { Component: loadBookView }, ErrorBoundary: ViewErrorPage },
          { path: "planner", lazy: { Component: loadPlannerView }, ErrorBoundary: ViewErrorPage },
          { path: "history", lazy: { Component: loadHistoryView }, ErrorBoundary: ViewErrorPage },
          { path: "log", lazy: { Component: loadLogView }, ErrorBoundary: ViewErrorPage },
          { path: "paper", lazy: { Component: loadPaperView }, ErrorBoundary: ViewErrorPage },
          { path: "run", lazy: { Component: loadRunView }, ErrorBoundary: ViewErrorPage },
        ],
      },
      { path: "watch/:showId/:how?", loader: loadShow, lazy: { Component: loadWatchView }, ErrorBoundary: ErrorPage },
      { path: DOOR, lazy: { Component: loadSignInPage }, ErrorBoundary: ErrorPage },
      { path: JOIN, lazy: { Component: loadJoinPage }, ErrorBoundary: ErrorPage },
      { path: "*", loader: () => redirect("/") },
    ],
  },
];

/** The show that was open last, or the first there is; null where there is none yet. Throws Refusal when the server does not tell. */
async function loadFirstShow(): Promise<Response | null> {
  const shows = await queryClient.fetchQuery(showsQuery);
  const first = shows.find((show) => show.id === lastOpened()) ?? shows[0];
  return first ? redirect(`/show/${first.id}/score`) : null;
}

/** Has the show read into the window's cache, where the frame takes it from. Throws Refusal for one that is not there. */
async function loadShow({ params }: LoaderFunctionArgs): Promise<null> {
  await queryClient.ensureQueryData(showQuery(Number(params["showId"])));
  return null;
}
