import { QueryClientProvider } from "@tanstack/react-query";
import { lazy, Suspense } from "react";
import { BrowserRouter, Navigate, Outlet, Route, Routes } from "react-router";
import { queryClient, useGreeting } from "./api/queries";
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
const Load = lazy(() => import("./features/load/Load"));
const Log = lazy(() => import("./features/log/Log"));
const SessionPage = lazy(() => import("./features/log/SessionPage"));
const Settings = lazy(() => import("./features/settings/Settings"));

export function App() {
  return (
    <QueryClientProvider client={queryClient}>
      <Toasts>
        <BrowserRouter>
          <Suspense fallback={<Waiting />}>
            <Places />
          </Suspense>
        </BrowserRouter>
      </Toasts>
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
  return (
    <Routes>
      <Route path="/run/:id" element={<RunPage me={me} />} />
      <Route path="/start" element={<First me={me} />} />
      <Route element={<Framed name={me.name} />}>
        <Route index element={<Today me={me} />} />
        <Route path="/passages" element={<Passages />} />
        <Route path="/passages/new" element={<NewPassage me={me} />} />
        <Route path="/passages/:id" element={<Bench />} />
        <Route path="/passages/:id/sheet" element={<SheetPage />} />
        <Route path="/plan/:pieceId" element={<Plan />} />
        <Route path="/ceiling" element={<Ceiling />} />
        <Route path="/ceiling/:pieceId" element={<Ceiling />} />
        <Route path="/load" element={<Load />} />
        <Route path="/log" element={<Log />} />
        <Route path="/log/:runId" element={<SessionPage />} />
        <Route path="/settings" element={<Settings me={me} />} />
      </Route>
      <Route path="*" element={<Navigate to="/" replace />} />
    </Routes>
  );
}

function Framed({ name }: { name: string }) {
  return (
    <>
      <Nav name={name} />
      <Suspense fallback={<Waiting />}>
        <Outlet />
      </Suspense>
    </>
  );
}
