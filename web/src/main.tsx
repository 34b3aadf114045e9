import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { learnToSpeak } from "./words/language";
import { loadAnew, settleIn } from "./offline/build";
import "./index.css";

window.addEventListener("vite:preloadError", loadAnew);

// Words first: titles and labels are put together while the pages' code is loaded.
await learnToSpeak();
const { App } = await import("./App");

createRoot(document.getElementById("root")!).render(
  <StrictMode>
    <App />
  </StrictMode>,
);
settleIn();
