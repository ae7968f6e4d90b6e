import { labelAnswer } from "@/demo/labels";

export async function GET(_: Request, { params }: { params: Promise<{ gtin: string }> }): Promise<Response> {
  const { gtin } = await params;
  return labelAnswer(gtin);
}
