import { lazy, Suspense, useEffect } from "react";
import { Navigate, Route, Routes, useParams } from "react-router";
import { ErrorBoundary } from "./shell/ErrorBoundary";
import { WantedParts } from "./shell/WantedParts";
import { AddressMirror } from "./workspace/AddressMirror";
import { WorkspaceProvider } from "./workspace/hooks";
import { useInterface } from "./workspace/interface";

const SystemsList = lazy(() =>
  import("./systems/SystemsList").then((made) => ({ default: made.SystemsList })),
);
const SharedPage = lazy(() => import("./shared/SharedPage").then((made) => ({ default: made.SharedPage })));
const ReadingPage = lazy(() =>
  import("./shared/ReadingPage").then((made) => ({ default: made.ReadingPage })),
);
const Frame = lazy(() => import("./shell/Frame").then((made) => ({ default: made.Frame })));

export function App() {
  const chrome = useInterface((state) => state.chrome);
  useEffect(() => {
    document.documentElement.classList.toggle("dark", chrome === "dark");
    document.documentElement.style.colorScheme = chrome;
  }, [chrome]);
  return (
    <ErrorBoundary what="The page">
      <AddressMirror />
      <Suspense>
        <Routes>
          <Route path="/" element={<SystemsList />} />
          <Route path="/shared/:key" element={<SharedPage />} />
          <Route path="/reading/:key" element={<ReadingPage />} />
          <Route path="/systems/:slug" element={<Navigate to="sources" replace />} />
          <Route path="/systems/:slug/:stage" element={<Opened />} />
          <Route path="*" element={<Navigate to="/" replace />} />
        </Routes>
      </Suspense>
    </ErrorBoundary>
  );
}

function Opened() {
  const { slug = "" } = useParams();
  return (
    <WorkspaceProvider wanted={slug}>
      <WantedParts />
      <Suspense>
        <Frame />
      </Suspense>
    </WorkspaceProvider>
  );
}
