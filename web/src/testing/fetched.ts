// What the server would answer, in tests: set before a part asks.

type Answer = (request: Request) => Response | Promise<Response>;

const nothing: Answer = () => new Response(null, { status: 503 });
let answer = nothing;

export const answerWith = (next: Answer) => {
  answer = next;
};

/** Takes the place of the network. */
export function standIn() {
  const Plain = globalThis.Request;
  // A path is one of this server's, as in a browser.
  globalThis.Request = class extends Plain {
    constructor(input: RequestInfo | URL, init?: RequestInit) {
      super(typeof input === "string" ? new URL(input, "http://kitchen") : input, init);
    }
  };
  globalThis.fetch = async (input) => answer(input as Request);
}
