// Power cuts: servers and databases are killed under writers, and everything that was acknowledged is there.
import { expect, test } from "@playwright/test";
import { addresses, Cluster, pause, Server, until } from "./processes";
import { intact, Writer } from "./writers";

/** A longer run: ROUNDS=20 ./test survival. */
const ROUNDS = Number(process.env.ROUNDS ?? 1);
const WRITERS = 4;

test("servers are killed ten times under writers", async () => {
  const cluster = await Cluster.make();
  const env = addresses(cluster);
  const servers = [await Server.make(env), await Server.make(env)];
  const writers = Array.from({ length: WRITERS }, () => new Writer(() => servers.map((one) => one.url)));
  await Promise.all(writers.map((one) => one.begin()));
  for (let n = 0; n < 10 * ROUNDS; n++) {
    await pause(300);
    const victim = servers[n % servers.length];
    await victim?.kill();
    await victim?.start();
  }
  await Promise.all(writers.map((one) => one.end()));
  const events = intact(cluster, writers);
  console.log(`${events} events acknowledged over ${10 * ROUNDS} kills of a server`);
  expect(events).toBeGreaterThan(50);
  for (const server of servers) await server.kill();
  await cluster.remove();
});

test("the database is killed three times under writers", async () => {
  const cluster = await Cluster.make();
  const env = addresses(cluster);
  const servers = [await Server.make(env), await Server.make(env)];
  const writers = Array.from({ length: WRITERS }, () => new Writer(() => servers.map((one) => one.url)));
  await Promise.all(writers.map((one) => one.begin()));
  for (let n = 0; n < 3 * ROUNDS; n++) {
    await pause(1500);
    await cluster.kill();
    await cluster.start();
  }
  await pause(1500);
  await Promise.all(writers.map((one) => one.end()));
  const events = intact(cluster, writers);
  console.log(`${events} events acknowledged over ${3 * ROUNDS} kills of the database`);
  expect(events).toBeGreaterThan(50);
  for (const server of servers) await server.kill();
  await cluster.remove();
});

test("a standby is promoted under writers", async () => {
  const primary = await Cluster.make();
  const standby = await primary.standby();
  // From now on what is acknowledged is at the standby first.
  primary.sql("postgres", "ALTER SYSTEM SET synchronous_standby_names = '*'");
  primary.sql("postgres", "SELECT pg_reload_conf()");
  await until("the standby", () =>
    primary.sql("postgres", "SELECT sync_state FROM pg_stat_replication").includes("sync"),
  );
  const env = addresses(primary, standby);
  const servers = [await Server.make(env), await Server.make(env)];
  const writers = Array.from({ length: WRITERS }, () => new Writer(() => servers.map((one) => one.url)));
  await Promise.all(writers.map((one) => one.begin()));
  await pause(2000);
  await primary.kill();
  standby.promote();
  const promoted = Date.now();
  await pause(3000);
  await Promise.all(writers.map((one) => one.end()));
  const events = intact(standby, writers);
  console.log(`${events} events acknowledged, ${Date.now() - promoted} ms after the promotion`);
  expect(events).toBeGreaterThan(50);
  for (const server of servers) await server.kill();
  await standby.remove();
  await primary.remove();
});
