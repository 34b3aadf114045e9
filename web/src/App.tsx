import { useEffect, useState } from "react";
import { QueryClientProvider } from "@tanstack/react-query";
import { BrowserRouter, Navigate, Route, Routes, useLocation } from "react-router";
import type { Schemas } from "./api/client";
import { queryClient, useGreeting } from "./api/queries";
import { Drop } from "./features/recording/Drop";
import { ZoneOffer } from "./features/settings/Home";
import { renewBetweenWorkouts } from "./offline/build";
import { FrameLines } from "./offline/FrameLines";
import { forgetSeen } from "./offline/seen";
import { useAhead } from "./offline/useAhead";
import { useReturn } from "./offline/useReturn";
import { clearAway, layOut } from "./outbox/shelf";
import { useOutbox } from "./outbox/useOutbox";
import { keep } from "./keep";
import { ErrorBoundary } from "./ui/ErrorBoundary";
import { Guarded } from "./ui/Guarded";
import { later } from "./ui/later";
import { Nav } from "./ui/Nav";
import { Failed, Nowhere, Waiting } from "./ui/Page";
import { useScroll } from "./ui/useScroll";
import { Toasts } from "./ui/Toasts";
import { speakTo } from "./words/say";

const Welcome = later(() => import("./features/welcome/Welcome"));
const First = later(() => import("./features/first/First"));
const Today = later(() => import("./features/today/Today"));
const Passages = later(() => import("./features/passages/Passages"));
const NewPassage = later(() => import("./features/sheet/NewPassage"));
const PracticeSheet = later(() => import("./features/sheet/PracticeSheet"));
const SheetPage = later(() => import("./features/sheet/SheetPage"));
const Plan = later(() => import("./features/plan/Plan"));
const RunPage = later(() => import("./features/run/RunPage"));
const Ceiling = later(() => import("./features/ceiling/Ceiling"));
const TestResult = later(() => import("./features/ceiling/TestResult"));
const Learned = later(() => import("./features/ceiling/Learned"));
const Load = later(() => import("./features/load/Load"));
const Season = later(() => import("./features/season/Season"));
const Log = later(() => import("./features/log/Log"));
const MonthPage = later(() => import("./features/log/MonthPage"));
const WorkoutPage = later(() => import("./features/log/WorkoutPage"));
const Recording = later(() => import("./features/recording/Recording"));
const Counts = later(() => import("./features/count/Counts"));
const Settings = later(() => import("./features/settings/Settings"));

export function App() {
  return (
    <QueryClientProvider client={queryClient}>
      <ErrorBoundary>
        <Toasts>
          <BrowserRouter>
            <Places />
          </BrowserRouter>
        </Toasts>
      </ErrorBoundary>
    </QueryClientProvider>
  );
}

function Places() {
  const greeting = useGreeting();
  const nobody = greeting.data?.me === null;
  useEffect(() => {
    if (nobody) void Promise.all([forgetSeen(), clearAway()]);
  }, [nobody]);
  // Once it is known who is here, the page stays, whatever becomes of asking again.
  if (!greeting.data) {
    if (greeting.isPending) return <Waiting />;
    return <Failed error={greeting.error} again={() => void greeting.refetch()} />;
  }
  const { me, demo } = greeting.data;
  if (me) speakTo(me);
  if (!me) {
    return (
      <Routes>
        <Route path="/register" element={<Welcome register demo={demo} />} />
        <Route path="*" element={<Welcome demo={demo} />} />
      </Routes>
    );
  }
  return <LaidOut me={me} />;
}

/** What is kept for somebody in this browser is laid out before any page asks for it. */
function LaidOut({ me }: { me: Schemas["Me"] }) {
  const [laidOut, setLaidOut] = useState<string>();
  useEffect(() => void layOut(me.name).then(() => setLaidOut(me.name)), [me.name]);
  return laidOut === me.name ? <Rooms me={me} /> : <Waiting />;
}

function Rooms({ me }: { me: Schemas["Me"] }) {
  useOutbox();
  useReturn();
  useAhead();
  useScroll();
  const { pathname } = useLocation();
  useEffect(renewBetweenWorkouts, [pathname]);
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
        <Route path="/passages/:id" element={<PracticeSheet />} />
        <Route path="/passages/:id/sheet" element={<SheetPage />} />
        <Route path="/plan/:sectionId" element={<Plan />} />
        <Route path="/ceiling" element={<Ceiling />} />
        <Route path="/ceiling/:sectionId" element={<Ceiling />} />
        <Route path="/ceiling/test/:runId" element={<TestResult />} />
        <Route path="/learned" element={<Learned />} />
        <Route path="/load" element={<Load />} />
        <Route path="/season" element={<Season />} />
        <Route path="/log" element={<Log />} />
        <Route path="/log/month" element={<MonthPage />} />
        <Route path="/log/:runId" element={<WorkoutPage />} />
        <Route path="/recording" element={<Dropped me={me} />} />
        <Route path="/counts" element={<Counts me={me} />} />
        <Route path="/settings" element={<Settings me={me} />} />
        {["/welcome", "/sign-in", "/register"].map((path) => (
          <Route key={path} path={path} element={<Navigate to="/" replace />} />
        ))}
        <Route path="*" element={<Nowhere />} />
      </Route>
    </Routes>
  );
}

/** Another file that is let fall begins the page anew. */
function Dropped({ me }: { me: Schemas["Me"] }) {
  return <Recording key={useLocation().search} me={me} />;
}

function Framed({ me }: { me: Schemas["Me"] }) {
  return (
    <>
      <Nav name={me.name} />
      <Drop />
      <ZoneOffer me={me} keep={keep} />
      <FrameLines />
      <Guarded />
    </>
  );
}
