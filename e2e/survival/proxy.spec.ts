// Behind Debian's nginx, with the configuration that docs/nginx.conf gives: TLS, who asks, live changes.
import { execFileSync, spawn } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import type { IncomingMessage } from "node:http";
import { request } from "node:https";
import { join } from "node:path";
import { expect, test } from "@playwright/test";
import { addresses, Cluster, freePort, Server, until } from "./processes";

const HOST = "kitchen.example";

interface Answer {
  status: number;
  headers: IncomingMessage["headers"];
  body: string;
}

/** One request over TLS, as a browser at that name sends it. */
function ask(port: number, method: string, path: string, body?: unknown, headers = {}): Promise<Answer> {
  return new Promise((done, failed) => {
    const options = {
      ...{ host: "127.0.0.1", port, path, method, servername: HOST, rejectUnauthorized: false },
      headers: {
        Host: HOST,
        ...(body ? { "Content-Type": "application/json" } : {}),
        ...headers,
      },
    };
    const asked = request(options, (answer) => {
      let text = "";
      answer.on("data", (chunk) => {
        text += chunk;
      });
      answer.on("end", () =>
        done({ status: answer.statusCode ?? 0, headers: answer.headers, body: text }),
      );
    });
    asked.on("error", failed);
    asked.end(body ? JSON.stringify(body) : undefined);
  });
}

test("a household signs in through nginx and hears of changes at once", async () => {
  const nginx = process.env.NGINX_PROGRAM;
  if (!nginx) throw new Error("NGINX_PROGRAM is not set; run ./test survival");
  const cluster = await Cluster.make();
  const options = ["--households", "--trust-proxy"];
  const env = { ...addresses(cluster), ALLOWED_HOSTS: HOST, PUBLIC_URL: `https://${HOST}` };
  const server = await Server.make(env, options);
  const folder = mkdtempSync("/var/tmp/zesty-ember-nginx-");
  const [secure, plain] = [await freePort(), await freePort()];
  execFileSync(
    "openssl",
    [
      ...["req", "-x509", "-newkey", "rsa:2048", "-nodes", "-days", "2", "-subj", `/CN=${HOST}`],
      ...["-keyout", join(folder, "key"), "-out", join(folder, "pem")],
    ],
    { stdio: "ignore" },
  );
  // As it is documented, but for ports and files.
  const documented = readFileSync("../docs/nginx.conf", "utf8")
    .replace("127.0.0.1:8080", `127.0.0.1:${server.port}`)
    .replace("listen 443 ssl", `listen 127.0.0.1:${secure} ssl`)
    .replace("listen 80;", `listen 127.0.0.1:${plain};`)
    .replace(/\/etc\/ssl\/kitchen.example.pem/, join(folder, "pem"))
    .replace(/\/etc\/ssl\/kitchen.example.key/, join(folder, "key"));
  writeFileSync(
    join(folder, "nginx.conf"),
    `daemon off; pid ${folder}/pid; error_log ${folder}/errors; worker_processes 1;
     events {} http { access_log off; client_body_temp_path ${folder}/b; proxy_temp_path ${folder}/p;
     fastcgi_temp_path ${folder}/f; uwsgi_temp_path ${folder}/u; scgi_temp_path ${folder}/s;
     ${documented} }`,
  );
  const words = ["-c", join(folder, "nginx.conf"), "-e", join(folder, "errors"), "-p", folder];
  const proxy = spawn(nginx, words, { stdio: "inherit" });
  try {
    await until("nginx", () => ask(secure, "GET", "/api/health").then(({ status }) => status === 200, () => false));
    expect((await ask(secure, "GET", "/api/cooks")).status).toBe(401);
    const moved = await fetch(`http://127.0.0.1:${plain}/plan`, { redirect: "manual" });
    expect(moved.status).toBe(301);

    // The link that was told at the start is of the name that was given.
    const secret = new RegExp(`https://${HOST}/join#(\\w+)`).exec(server.said)?.[1];
    const joined = await ask(secure, "POST", "/api/session/join", { secret, device: "Tablet" });
    expect(joined.status, joined.body).toBe(204);
    const cookie = joined.headers["set-cookie"]?.[0] ?? "";
    expect(cookie).toMatch(/^__Host-ember=\w+; HttpOnly; SameSite=Strict; Secure; Path=\//);
    const mine = { Cookie: cookie.split(";")[0] };
    expect((await ask(secure, "GET", "/api/cooks", undefined, mine)).status).toBe(200);
    // A page of this name is ours, of another one not.
    const phone = { kind: "device" };
    const own = { ...mine, Origin: `https://${HOST}` };
    const made = await ask(secure, "POST", "/api/links", phone, own);
    expect(made.status, made.body).toBe(201);
    expect(JSON.parse(made.body).address).toMatch(new RegExp(`^https://${HOST}/join#`));
    const other = { ...mine, Origin: "https://evil.example" };
    expect((await ask(secure, "POST", "/api/links", phone, other)).status).toBe(403);

    // Changes are passed on as they come: within a moment, not when a buffer is full.
    const heard = new Promise<number>((done, failed) => {
      const listening = request(
        {
          ...{ host: "127.0.0.1", port: secure, path: "/api/changes", servername: HOST },
          ...{ rejectUnauthorized: false, headers: { Host: HOST, ...mine } },
        },
        (answer) => {
          const begun = Date.now();
          answer.on("data", (chunk) => {
            if (!String(chunk).includes("retry")) return;
            listening.destroy();
            done(Date.now() - begun);
          });
        },
      );
      listening.on("error", failed);
      listening.end();
    });
    expect(await heard).toBeLessThan(5000);

    // Tries are counted for whoever is behind the proxy, whatever a client says of itself.
    let refused = 0;
    for (let n = 0; n < 25; n++) {
      const forged = { "X-Forwarded-For": `203.0.113.${n}` };
      const { status } = await ask(secure, "POST", "/api/session/join", { secret: "x", device: "x" }, forged);
      if (status === 429) refused++;
    }
    expect(refused).toBeGreaterThan(3);
  } finally {
    proxy.kill("SIGTERM");
    await server.kill();
    await cluster.remove();
    rmSync(folder, { recursive: true, force: true });
  }
});
