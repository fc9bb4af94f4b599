import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [react()],
  build: {
    target: "es2023",
    chunkSizeWarningLimit: 800,
    rolldownOptions: {
      // What these make and nobody uses is left out: looks of parts we do not have.
      treeshake: { manualPureFunctions: ["defineConfig", "defineRecipe", "defineSlotRecipe"] },
    },
  },
  server: { proxy: { "/api": "http://127.0.0.1:8080" } },
  test: { include: ["src/**/*.test.ts"] },
});
