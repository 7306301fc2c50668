import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";
import { catalogues } from "./catalogues.ts";
import { packed } from "./packed.ts";
import { worker } from "./worker.ts";

/** The patient's page: built by itself, so that a phone loads nothing of the clinic's. It lies beside the other. */
export default defineConfig({
  plugins: [
    react(),
    catalogues(),
    worker("src/patient/worker.js", "phone-worker.js", "/h", "phone.html"),
    packed(),
  ],
  build: {
    target: "es2022",
    emptyOutDir: false,
    copyPublicDir: false,
    rollupOptions: { input: "phone.html" },
  },
});
