import { byWord } from "@/core/base/byWord";
import { DomHandler, DomUtils, Parser } from "htmlparser2";

type Node = DomHandler["root"]["children"][number];
type Element = Extract<Node, { attribs: unknown }>;
type Text = Extract<Node, { data: string; type: "text" }>;

const isTag = (node: Node): node is Element => "attribs" in node;
const isText = (node: Node): node is Text => node.type === "text";

/** An item of open data: its properties, several values of one as a list. */
export type Item = Record<string, unknown>;

export const isRecord = (value: unknown): value is Item =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** So deep items are looked for in one another; pages that nest deeper are made to hurt. */
const deepest = 12;
/** So many nodes of a page are looked at. */
const mostNodes = 400_000;

const isRecipeType = (type: unknown) =>
  (Array.isArray(type) ? type : [type]).some(
    (one) => typeof one === "string" && /^(?:(?:https?:\/\/)?schema\.org\/|schema:)?Recipe$/.test(one.trim()),
  );

/**
 * The recipes that stand in a page as open data, in the order of the page.
 * @returns also how many blocks of JSON-LD were no JSON
 */
export function itemsOfPage(page: string): { items: Item[]; unreadable: number } {
  if (/^\s*[[{]/.test(page)) return jsonItems(page);
  const found: { items: Item[]; unreadable: number } = { items: [], unreadable: 0 };
  const elements = [...nodesOf(nodesIn(page))].filter(isTag);
  for (const element of elements) {
    if (element.name === "script" && /^application\/ld\+json/i.test((element.attribs.type ?? "").trim())) {
      const { items, unreadable } = jsonItems(DomUtils.textContent(element.children));
      found.items.push(...items);
      found.unreadable += unreadable;
    } else if (
      element.attribs.itemscope !== undefined &&
      isRecipeType((element.attribs.itemtype ?? "").trim().split(/\s+/))
    )
      found.items.push(microdataItem(element, 0));
  }
  return found;
}

/** Elements lie in one another so deep; what nests deeper is made to hurt, and takes the parser long. */
const deepestElement = 1000;

/** A page whose elements nest deeper than a page's do. */
export class TooDeep extends Error {}

class Shallow extends DomHandler {
  #depth = 0;
  override onopentag(name: string, attributes: Record<string, string>): void {
    this.#depth += 1;
    if (this.#depth > deepestElement) throw new TooDeep();
    super.onopentag(name, attributes);
  }
  override onclosetag(): void {
    this.#depth -= 1;
    super.onclosetag();
  }
}

/** What a text of markup consists of. @throws TooDeep */
function nodesIn(markup: string): readonly Node[] {
  const handler = new Shallow();
  new Parser(handler).end(markup);
  return handler.root.children;
}

/** All nodes, in the order of the page; without recursion, since a page may nest as deep as it likes. */
function* nodesOf(children: readonly Node[]): Generator<Node> {
  const waiting = children.toReversed();
  for (let looked = 0; waiting.length > 0 && looked < mostNodes; looked++) {
    const node = waiting.pop()!;
    yield node;
    if ("children" in node)
      for (let at = node.children.length - 1; at >= 0; at--) waiting.push(node.children[at] as Node);
  }
}

/** The text of nodes, entities read; what is code in them is no text. */
function textOf(children: readonly Node[]): string {
  let text = "";
  for (const node of nodesOf(children)) {
    if (isText(node)) text += isCode(node.parent) ? "" : node.data;
    else if (isTag(node) && /^(?:br|p|li|div|tr|h\d)$/.test(node.name)) text += " ";
  }
  return text;
}

const isCode = (node: Text["parent"]) => node?.type === "script" || node?.type === "style";

/** A text that may hold markup, without it. */
export function withoutMarkup(text: string): string {
  return /[<&]/.test(text) ? textOf(nodesIn(text)) : text;
}

function jsonItems(text: string): { items: Item[]; unreadable: number } {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return { items: [], unreadable: 1 };
  }
  const items: Item[] = [];
  const look = (one: unknown, depth: number) => {
    if (depth > deepest) return;
    if (Array.isArray(one)) for (const part of one) look(part, depth + 1);
    else if (isRecord(one)) {
      if (isRecipeType(one["@type"])) items.push(one);
      else for (const part of Object.values(one)) if (typeof part === "object") look(part, depth + 1);
    }
  };
  look(value, 0);
  return { items, unreadable: 0 };
}

/** An item of microdata: the values of its properties, those of items inside it being theirs. */
function microdataItem(item: Element, depth: number): Item {
  const properties = new Map<string, unknown[]>();
  const waiting = item.children.toReversed();
  for (let looked = 0; waiting.length > 0 && looked < mostNodes; looked++) {
    const node = waiting.pop()!;
    if (!isTag(node)) continue;
    const isItem = node.attribs.itemscope !== undefined;
    for (const name of (node.attribs.itemprop ?? "").split(/\s+/).filter(Boolean)) {
      const value = isItem ? (depth < deepest ? microdataItem(node, depth + 1) : "") : valueOf(node);
      properties.set(name, [...(properties.get(name) ?? []), value]);
    }
    if (!isItem) for (let at = node.children.length - 1; at >= 0; at--) waiting.push(node.children[at]!);
  }
  return Object.fromEntries(properties);
}

const addressOf: Readonly<Record<string, string>> = byWord({
  meta: "content",
  a: "href",
  area: "href",
  link: "href",
  audio: "src",
  embed: "src",
  iframe: "src",
  img: "src",
  source: "src",
  track: "src",
  video: "src",
  object: "data",
  data: "value",
  meter: "value",
});

/** The value of a property by its element. Source: HTML Living Standard, 5.2.4 Values. */
function valueOf(element: Element): string {
  const named = Object.hasOwn(addressOf, element.name) ? addressOf[element.name] : undefined;
  if (named !== undefined) return element.attribs[named] ?? "";
  if (element.name === "time") return element.attribs.datetime ?? textOf(element.children);
  return textOf(element.children);
}
