import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";
import { catalogues } from "./catalogues.ts";
import { packed } from "./packed.ts";

/** The patient's page: built by itself, so that a phone loads nothing of the clinic's. It lies beside the other. */
export default defineConfig({
  plugins: [react(), catalogues(), packed()],
  build: {
    target: "es2022",
    emptyOutDir: false,
    copyPublicDir: false,
    rollupOptions: { input: "phone.html" },
  },
});
