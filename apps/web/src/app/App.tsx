import { useQuery } from "@tanstack/react-query";
import { Suspense, lazy } from "react";
import { Navigate, Route, Routes } from "react-router";
import { ScoreView } from "../score/ScoreView.tsx";
import { api } from "../show/api.ts";
import { lastOpened } from "../show/lastOpened.ts";
import { Frame } from "./Frame.tsx";

const StageView = lazy(() => import("../stage/StageView.tsx"));
const RigView = lazy(() => import("../rig/RigView.tsx"));
const RunView = lazy(() => import("../run/RunView.tsx"));

/** Every view has its own address under the show it belongs to. */
export function App() {
  return (
    <Routes>
      <Route path="/" element={<FirstShow />} />
      <Route path="/show/:showId" element={<Frame />}>
        <Route index element={<Navigate to="score" replace />} />
        <Route path="score" element={<ScoreView />} />
        <Route
          path="stage"
          element={
            <Suspense fallback={null}>
              <StageView />
            </Suspense>
          }
        />
        <Route
          path="rig/:tab?"
          element={
            <Suspense fallback={null}>
              <RigView />
            </Suspense>
          }
        />
        <Route
          path="run"
          element={
            <Suspense fallback={null}>
              <RunView />
            </Suspense>
          }
        />
      </Route>
      <Route path="*" element={<Navigate to="/" replace />} />
    </Routes>
  );
}

function FirstShow() {
  const shows = useQuery({ queryKey: ["shows"], queryFn: api.shows });
  const first = shows.data?.find((show) => show.id === lastOpened()) ?? shows.data?.[0];
  if (first) return <Navigate to={`/show/${first.id}/score`} replace />;
  return <p className="p-8">{shows.error ? shows.error.message : shows.data ? "There is no show yet." : ""}</p>;
}
