import { useQuery } from "@tanstack/react-query";
import { emptyShow } from "@zm/core";
import { Suspense, lazy, useState } from "react";
import { Navigate, Route, Routes } from "react-router";
import { ScoreView } from "../score/ScoreView.tsx";
import { api } from "../show/api.ts";
import { lastOpened } from "../show/lastOpened.ts";
import { useOpenOther } from "../file/useImport.ts";
import { EmptyView } from "../shared/EmptyView.tsx";
import { useOnce } from "../shared/ActionButton.tsx";
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
  const shows = useQuery({
    queryKey: ["shows"],
    queryFn: api.shows,
    retry: 1,
    refetchInterval: (query) => (query.state.error ? 2000 : false),
  });
  const first = shows.data?.find((show) => show.id === lastOpened()) ?? shows.data?.[0];
  if (first) return <Navigate to={`/show/${first.id}/score`} replace />;
  if (shows.error) return <p className="p-8 text-error">{shows.error.message}</p>;
  return shows.data ? <NoShow /> : null;
}

/** Where there is no show yet: the first one is begun here. */
function NoShow() {
  const [name, setName] = useState("");
  const openOther = useOpenOther();
  const [begin, busy] = useOnce(async () => {
    const { id } = await api.importShow(JSON.stringify(emptyShow(name.trim())));
    openOther(id);
  });
  return (
    <main className="p-10">
      <h1 className="sr-only">Zealous Mark</h1>
      <EmptyView
        title="There is no show yet"
        words="A show holds the rig, the cues and the script of one production. Give the first one a name."
      >
        <form
          className="flex gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            if (name.trim() !== "") begin();
          }}
        >
          <input
            aria-label="Name of the show"
            autoFocus
            className="input w-80 bg-base-200"
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
          <button type="submit" className="btn btn-primary" disabled={name.trim() === ""} aria-busy={busy}>
            Begin the show
          </button>
        </form>
      </EmptyView>
    </main>
  );
}
