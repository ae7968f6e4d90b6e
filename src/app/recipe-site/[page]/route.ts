import { siteAnswer } from "@/demo/recipeSite";

export async function GET(_: Request, { params }: { params: Promise<{ page: string }> }): Promise<Response> {
  const { page } = await params;
  return siteAnswer(page);
}
