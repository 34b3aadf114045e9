import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { VitePWA } from "vite-plugin-pwa";
import { compression } from "vite-plugin-compression2";
import { defineConfig } from "vitest/config";
import { catalogues } from "./scripts/catalogues.ts";

const path = (file: string) => new URL(file, import.meta.url).pathname;

/** What a phone or a computer shows where Tachylim is installed. */
const manifest = {
  id: "/",
  name: "Tachylim",
  short_name: "Tachylim",
  description: "Speed workouts for instrumentalists: bursts, rests and the tempo where technique breaks down.",
  start_url: "/",
  scope: "/",
  display: "standalone" as const,
  background_color: "#F5F7F4",
  theme_color: "#F5F7F4",
  icons: [
    { src: "/icons/icon-192.png", sizes: "192x192", type: "image/png" },
    { src: "/icons/icon-512.png", sizes: "512x512", type: "image/png" },
    { src: "/icons/maskable-512.png", sizes: "512x512", type: "image/png", purpose: "maskable" },
  ],
};

export default defineConfig(({ command }) => ({
  plugins: [
    react(),
    tailwindcss(),
    catalogues(),
    VitePWA({
      strategies: "injectManifest",
      srcDir: "src/offline",
      filename: "worker.ts",
      injectRegister: false,
      manifest,
      manifestFilename: "manifest.json",
      // Everything that a page may need: a workout is opened where there is no network. The largest is the engraver.
      injectManifest: {
        globPatterns: ["index.html", "favicon.svg", "icons/apple-180.png", "assets/*.{js,css,json,woff2}"],
        maximumFileSizeToCacheInBytes: 1_000_000,
        // Names of built files carry what is in them.
        dontCacheBustURLsMatching: /^assets\//,
      },
    }),
    compression({ algorithms: ["brotliCompress", "gzip"], include: /\.(js|css|json|html|svg)$/, threshold: 1_000 }),
  ],
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
