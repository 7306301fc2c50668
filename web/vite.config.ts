import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";
import { catalogues } from "./catalogues.ts";
import { controlStyles } from "./controls.ts";
import { packed } from "./packed.ts";
import { worker } from "./worker.ts";

export default defineConfig({
  plugins: [
    react(),
    catalogues(),
    controlStyles(),
    worker("src/worker.js", "worker.js", "/", "index.html"),
    packed(),
  ],
  server: { fs: { allow: [".."] }, proxy: { "/api": "http://127.0.0.1:8480" } },
  build: { target: "es2022", chunkSizeWarningLimit: 700 },
});
