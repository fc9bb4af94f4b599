// A page that was chosen or pasted, as it is sent to be read: what holds its recipe, where it holds one.

/** The longest text that is read, letters. */
const LONGEST = 200_000;

/** Whether a text is a page or a document, which a cook would rather see in words. */
export const isPage = (text: string) => /^\s*[<[{]/.test(text);

/** The same, no longer than can be read. */
export function shortened(text: string): string {
  if (text.length <= LONGEST || !isPage(text)) return text.slice(0, LONGEST);
  const page = new DOMParser().parseFromString(text, "text/html");
  const scripts = [...page.querySelectorAll('script[type="application/ld+json"]')];
  const recipe = scripts.find((script) => script.textContent?.includes("Recipe"));
  for (const aside of page.querySelectorAll("script, style, nav, header, footer")) aside.remove();
  return (recipe?.textContent ?? page.body.textContent ?? "").trim().slice(0, LONGEST);
}
