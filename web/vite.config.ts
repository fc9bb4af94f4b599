import react from "@vitejs/plugin-react";
import { VitePWA } from "vite-plugin-pwa";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [
    react(),
    // Opens from cold without a network. A new version waits until the cook says so.
    VitePWA({
      registerType: "prompt",
      injectRegister: null,
      manifest: {
        name: "Zesty Ember",
        short_name: "Zesty Ember",
        description: "Plans air-fryer cooks and helps while they cook.",
        start_url: "/",
        display: "standalone",
        background_color: "#f7f2e8",
        theme_color: "#f7f2e8",
        icons: [{ src: "/mark.svg", sizes: "any", type: "image/svg+xml", purpose: "any" }],
      },
      workbox: {
        globPatterns: ["**/*.{js,css,html,svg,woff2}"],
        navigateFallback: "/index.html",
        navigateFallbackDenylist: [/^\/api\//],
      },
    }),
  ],
  build: {
    target: "es2023",
    chunkSizeWarningLimit: 800,
    rolldownOptions: {
      // What these make and nobody uses is left out: looks of parts we do not have.
      treeshake: { manualPureFunctions: ["defineConfig", "defineRecipe", "defineSlotRecipe"] },
    },
  },
  server: { proxy: { "/api": "http://127.0.0.1:8080" } },
  test: {
    include: ["src/**/*.test.{ts,tsx}"],
    setupFiles: ["src/testing/setup.ts"],
    // A shared machine may stand still for a while; nothing here measures time.
    testTimeout: 60_000,
  },
});
