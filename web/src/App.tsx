import { useEffect } from "react";
import { Navigate, Route, Routes } from "react-router";
import { Frame } from "./frame/Frame";
import { SystemsList } from "./stages/systems/SystemsList";
import { useInterface } from "./state/interface";
import { WorkspaceProvider } from "./state/workspace";

export function App() {
  const chrome = useInterface((state) => state.chrome);
  useEffect(() => {
    document.documentElement.classList.toggle("dark", chrome === "dark");
    document.documentElement.style.colorScheme = chrome;
  }, [chrome]);
  return (
    <Routes>
      <Route path="/" element={<SystemsList />} />
      <Route path="/systems/:slug" element={<Navigate to="sources" replace />} />
      <Route
        path="/systems/:slug/:stage"
        element={
          <WorkspaceProvider>
            <Frame />
          </WorkspaceProvider>
        }
      />
      <Route path="*" element={<Navigate to="/" replace />} />
    </Routes>
  );
}
