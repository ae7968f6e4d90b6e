import { askService } from "../askService";

/** The one site that is asked: the stand-in that ships with the application. */
const site = /^(?:https?:\/\/)?recipes\.example\/(pictures\/)?([a-z0-9-]+)\/?$/i;

/** Whether an address is of the site that can be asked. */
export const isOfSite = (address: string): boolean => site.test(address.trim());

/** A page of the site, or its picture; or why there is none. */
async function asked(address: string): Promise<Response | { why: string }> {
  const [, isPicture, name] = site.exec(address.trim()) ?? [];
  if (name === undefined)
    return { why: "Only recipes.example, which ships with Oat Column, can be asked. Save the page and give its file." };
  return askService(`/recipe-site/${isPicture ? "pictures/" : ""}${name.toLowerCase()}`, {
    late: "The site takes too long. Try again, or paste the page.",
    away: "The site cannot be reached. Paste the page, or give its file.",
    unknown: "The site has no such page.",
    down: "The site is down. Try again later, or paste the page.",
  });
}

/** The text of a page of the site. */
export async function pageAt(address: string): Promise<string | { why: string }> {
  const answer = await asked(address);
  return answer instanceof Response ? answer.text() : answer;
}

/** A picture of the site; null where it cannot be had, which is no reason not to have the recipe. */
export async function pictureAt(address: string): Promise<Blob | null> {
  const answer = await asked(address);
  return answer instanceof Response ? answer.blob() : null;
}
