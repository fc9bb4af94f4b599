import { defineConfig } from "@playwright/test";

// Debian's Chromium; the flags keep it from looking for hosts that are not ours.
const launchOptions = {
  executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium",
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
  fullyParallel: false,
  workers: 1,
  forbidOnly: true,
  // What passes only at the second try is told as flaky: look into it.
  retries: 1,
  reporter: [["list"]],
  use: {
    launchOptions,
    locale: "en-GB",
    timezoneId: "UTC",
    viewport: { width: 1280, height: 800 },
    trace: "retain-on-failure",
    screenshot: "only-on-failure",
  },
});
