import { byWord } from "@/core/base/byWord";
import { crc32, deflateSync } from "node:zlib";

/**
 * A small stand-in for a site with recipes, `recipes.example`: pages as such sites write them, with their open recipe data,
 * and pages that are broken, hostile, late or gone. It ships with the application and knows nothing else.
 */
export const siteName = "recipes.example";

const graph = {
  "@context": "https://schema.org",
  "@graph": [
    { "@type": "WebSite", name: "Recipes, made up" },
    {
      "@type": ["Recipe", "NewsArticle"],
      name: "Lentil &amp; walnut soup",
      url: `https://${siteName}/lentil-and-walnut-soup`,
      image: { "@type": "ImageObject", url: `https://${siteName}/pictures/lentil-and-walnut-soup` },
      recipeYield: ["6", "6 servings"],
      prepTime: "PT15M",
      cookTime: "PT40M",
      recipeCategory: "Soup",
      keywords: "lentils, batch",
      suitableForDiet: "https://schema.org/VeganDiet",
      recipeIngredient: [
        "300 g red lentils, washed",
        "2 onions, chopped",
        "1 tin (400 g) tomatoes",
        "60g walnuts",
        "1,5 l water",
        "2 tbsp olive oil",
        "1-2 tsp cumin",
        "salt",
      ],
      recipeInstructions: [
        {
          "@type": "HowToSection",
          name: "The base",
          itemListElement: [{ "@type": "HowToStep", text: "Soften the onions in the oil." }],
        },
        { "@type": "HowToStep", text: "Add lentils, tomatoes and water; simmer for <b>35 minutes</b>." },
        "Toast the walnuts and put them on top.",
      ],
    },
  ],
};

const microdata = `<main itemscope itemtype="https://schema.org/Recipe">
<h1 itemprop="name">Oat and apple bake</h1>
<p>Ready in <time itemprop="totalTime" datetime="PT1H5M">an hour</time>, for <span itemprop="recipeYield">4 people</span></p>
<ul><li itemprop="recipeIngredient">200 g rolled oats</li><li itemprop="recipeIngredient">3 apples</li>
<li itemprop="recipeIngredient">2 eggs</li><li itemprop="recipeIngredient">300 ml milk</li></ul>
<div itemprop="recipeInstructions"><p>Grate the apples.</p><p>Mix all of it &amp; bake at 180&nbsp;°C.</p></div>
<span itemprop="author" itemscope itemtype="https://schema.org/Person"><span itemprop="name">Nobody</span></span></main>`;

const hostile = `<script>fetch("/?log=own").then(() => { document.title = "taken" })</script>
<img src=x onerror="document.title='taken'">${"<div>".repeat(300)}
<script type="application/ld+json">${JSON.stringify({
  "@type": "Recipe",
  name: "<img src=x onerror=\"document.title='taken'\">Porridge<script>document.title='taken'</script>",
  url: "javascript:document.title='taken'",
  image: "javascript:document.title='taken'",
  recipeYield: "__proto__",
  recipeIngredient: [
    "80 g oats<script>document.title='taken'</script>",
    ...Array<string>(2000).fill("1 <b onclick='x()'>pinch</b> salt"),
  ],
  __proto__x: { constructor: "x" },
}).replaceAll("</", "<\\/")}</script>`;

const page = (body: string) =>
  `<!doctype html><html lang="en"><head><title>Made up</title></head><body>${body}</body></html>`;
const pages: Readonly<Record<string, string>> = byWord({
  "lentil-and-walnut-soup": page(`<script type="application/ld+json">${JSON.stringify(graph)}</script>`),
  "oat-and-apple-bake": page(microdata),
  hostile: page(hostile),
  broken: page(`<script type="application/ld+json">{"@type": "Recipe", "name": "Half a `),
  deep: page("<div>".repeat(200_000)),
  "no-recipe": page("<p>What we did on Sunday.</p>"),
});
const lateMs = 20_000;

/** What the site answers for a page: as plain text, so that it is shown by nothing. */
export async function siteAnswer(name: string): Promise<Response> {
  if (name === "down") return new Response(null, { status: 503 });
  if (name === "late") await new Promise((resolve) => setTimeout(resolve, lateMs));
  return Object.hasOwn(pages, name)
    ? new Response(pages[name], { headers: { "Content-Type": "text/plain; charset=utf-8" } })
    : new Response(null, { status: 404 });
}

/** The picture of a page: a bowl, drawn. */
export function sitePicture(name: string): Response {
  if (name !== "lentil-and-walnut-soup") return new Response(null, { status: 404 });
  return new Response(new Uint8Array(bowl(240, 180)), { headers: { "Content-Type": "image/png" } });
}

/** A PNG (ISO/IEC 15948) of a bowl of soup on a table. */
function bowl(width: number, height: number): Buffer {
  const rows = Buffer.alloc(height * (1 + width * 3));
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const far = Math.hypot(x - width / 2, (y - height / 2) * 1.25);
      const colour = far < 62 ? [176, 92, 44] : far < 78 ? [244, 240, 228] : [120, 134, 128];
      rows.set(colour, y * (1 + width * 3) + 1 + x * 3);
    }
  const chunk = (type: string, data: Buffer) => {
    const body = Buffer.concat([Buffer.from(type, "latin1"), data]);
    const [length, check] = [Buffer.alloc(4), Buffer.alloc(4)];
    length.writeUInt32BE(data.length);
    check.writeUInt32BE(crc32(body));
    return Buffer.concat([length, body, check]);
  };
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.set([8, 2, 0, 0, 0], 8);
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk("IHDR", head),
    chunk("IDAT", deflateSync(rows)),
    chunk("IEND", Buffer.alloc(0)),
  ]);
}
