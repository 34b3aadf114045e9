import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";
import { catalogues } from "./scripts/catalogues.ts";

const path = (file: string) => new URL(file, import.meta.url).pathname;

export default defineConfig(({ command }) => ({
  plugins: [react(), tailwindcss(), catalogues()],
  resolve: {
    // The core that the pages carry is compiled from Java by the build's module of that name.
    alias: {
      "tachylim-core": path("../browser/target/page/tachylim.js"),
      "tachylim-ear": path("../browser/target/page/ear.js"),
      // The build has read the messages already.
      ...(command === "build" && {
        "@formatjs/icu-messageformat-parser": "@formatjs/icu-messageformat-parser/no-parser.js",
      }),
    },
  },
  // Nothing may be inlined as a data: address but images: the content policy forbids it for the rest.
  build: {
    assetsInlineLimit: 0,
    manifest: true,
    modulePreload: { polyfill: false },
    chunkSizeWarningLimit: 700,
    // The click is an entry of its own, so that what sounds can be rendered and measured as it ships.
    rolldownOptions: { input: ["index.html", "src/click/clicks.ts"], preserveEntrySignatures: "allow-extension" },
  },
  worker: { format: "es" },
  // The catalogues lie beside the pages, since the server says them too.
  server: { proxy: { "/api": "http://localhost:8080" }, fs: { allow: [".."] } },
  // A context for each file instead of a process, which keeps files apart as well and takes a fifth of the time.
  test: {
    setupFiles: "src/test/words.ts",
    include: ["src/**/*.test.{ts,tsx}"],
    unstubGlobals: true,
    pool: "vmThreads",
    testTimeout: 60_000,
  },
}));
