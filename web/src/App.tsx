import { QueryClientProvider } from "@tanstack/react-query";
import { lazy, Suspense } from "react";
import { BrowserRouter, Navigate, Route, Routes } from "react-router";
import type { Schemas } from "./api/client";
import { queryClient, useGreeting } from "./api/queries";
import { ZoneOffer } from "./features/settings/Home";
import { useOutbox } from "./outbox/useOutbox";
import { keep } from "./keep";
import { ErrorBoundary } from "./ui/ErrorBoundary";
import { Guarded } from "./ui/Guarded";
import { Nav } from "./ui/Nav";
import { Failed, Waiting } from "./ui/Page";
import { Toasts } from "./ui/Toasts";

const Welcome = lazy(() => import("./features/welcome/Welcome"));
const First = lazy(() => import("./features/first/First"));
const Today = lazy(() => import("./features/today/Today"));
const Passages = lazy(() => import("./features/passages/Passages"));
const NewPassage = lazy(() => import("./features/bench/NewPassage"));
const Bench = lazy(() => import("./features/bench/Bench"));
const SheetPage = lazy(() => import("./features/bench/SheetPage"));
const Plan = lazy(() => import("./features/plan/Plan"));
const RunPage = lazy(() => import("./features/run/RunPage"));
const Ceiling = lazy(() => import("./features/ceiling/Ceiling"));
const TestResult = lazy(() => import("./features/ceiling/TestResult"));
const Load = lazy(() => import("./features/load/Load"));
const Season = lazy(() => import("./features/season/Season"));
const Log = lazy(() => import("./features/log/Log"));
const MonthPage = lazy(() => import("./features/log/MonthPage"));
const SessionPage = lazy(() => import("./features/log/SessionPage"));
const Counts = lazy(() => import("./features/count/Counts"));
const Settings = lazy(() => import("./features/settings/Settings"));

export function App() {
  return (
    <QueryClientProvider client={queryClient}>
      <ErrorBoundary>
        <Toasts>
          <BrowserRouter>
            <Suspense fallback={<Waiting />}>
              <Places />
            </Suspense>
          </BrowserRouter>
        </Toasts>
      </ErrorBoundary>
    </QueryClientProvider>
  );
}

function Places() {
  const greeting = useGreeting();
  if (greeting.isPending) return <Waiting />;
  if (greeting.isError) return <Failed error={greeting.error} again={() => void greeting.refetch()} />;
  const { me, demo } = greeting.data;
  if (!me) {
    return (
      <Routes>
        <Route path="/register" element={<Welcome register demo={demo} />} />
        <Route path="*" element={<Welcome demo={demo} />} />
      </Routes>
    );
  }
  return <Rooms me={me} />;
}

function Rooms({ me }: { me: Schemas["Me"] }) {
  useOutbox();
  return (
    <Routes>
      <Route element={<Guarded />}>
        <Route path="/run/:id" element={<RunPage me={me} />} />
        <Route path="/start" element={<First me={me} />} />
      </Route>
      <Route element={<Framed me={me} />}>
        <Route index element={<Today me={me} />} />
        <Route path="/passages" element={<Passages />} />
        <Route path="/passages/new" element={<NewPassage me={me} />} />
        <Route path="/passages/:id" element={<Bench />} />
        <Route path="/passages/:id/sheet" element={<SheetPage />} />
        <Route path="/plan/:pieceId" element={<Plan />} />
        <Route path="/ceiling" element={<Ceiling />} />
        <Route path="/ceiling/:pieceId" element={<Ceiling />} />
        <Route path="/ceiling/test/:runId" element={<TestResult />} />
        <Route path="/load" element={<Load />} />
        <Route path="/season" element={<Season />} />
        <Route path="/log" element={<Log />} />
        <Route path="/log/month" element={<MonthPage />} />
        <Route path="/log/:runId" element={<SessionPage />} />
        <Route path="/counts" element={<Counts me={me} />} />
        <Route path="/settings" element={<Settings me={me} />} />
      </Route>
      <Route path="*" element={<Navigate to="/" replace />} />
    </Routes>
  );
}

function Framed({ me }: { me: Schemas["Me"] }) {
  return (
    <>
      <Nav name={me.name} />
      <ZoneOffer me={me} keep={keep} />
      {keep.onlyHere && (
        <p role="status" className="border-b border-brass px-4 py-2 sm:px-9">
          This browser keeps nothing for Tachylim: an answer that cannot be sent at once lives only as long as this page
          is open.
        </p>
      )}
      <Guarded />
    </>
  );
}
