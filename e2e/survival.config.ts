import { defineConfig } from "@playwright/test";

// Servers and databases that are killed: no browser, and one at a time.
export default defineConfig({
  testDir: "survival",
  timeout: 600_000,
  fullyParallel: false,
  workers: 1,
  forbidOnly: true,
  reporter: [["list"]],
});
