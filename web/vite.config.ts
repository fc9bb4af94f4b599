import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [react()],
  build: { target: "es2023", chunkSizeWarningLimit: 800 },
  server: { proxy: { "/api": "http://127.0.0.1:8080" } },
  test: { include: ["src/**/*.test.ts"] },
});
