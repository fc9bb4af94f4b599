import { existsSync } from "node:fs";
import { defineConfig } from "@playwright/test";

// Debian's Chromium. The one without a window to draw does the same work in seven eighths of the time.
const [headless, whole] = ["/usr/bin/chromium-headless-shell", "/usr/bin/chromium"];

const launchOptions = {
  executablePath: process.env.CHROMIUM ?? (existsSync(headless) ? headless : whole),
  // These keep it from looking for hosts that are not ours.
  args: [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
  ],
};

export default defineConfig({
  testDir: "tests",
  // A shared machine may stand still for a while; nothing here measures time.
  timeout: 180_000,
  expect: { timeout: 20_000 },
  globalSetup: "./tests/kitchen.ts",
  // Each test has a kitchen of its own.
  fullyParallel: true,
  workers: 2,
  forbidOnly: true,
  // A test that passes only at the second try is listed as flaky. RETRIES=0 shows why it failed.
  retries: Number(process.env.RETRIES ?? 1),
  reporter: [["list"]],
  use: {
    launchOptions,
    locale: "en-GB",
    timezoneId: "UTC",
    viewport: { width: 1280, height: 800 },
    // What waits for the end of a movement waits for nothing.
    contextOptions: { reducedMotion: "reduce" },
    // Keeping the page for later takes the processor as long as the page itself: only where a test needs it.
    serviceWorkers: "block",
    // Recording is slow: only where a test is tried again.
    trace: "on-first-retry",
    screenshot: "only-on-failure",
  },
});
