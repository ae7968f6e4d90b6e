import { sitePicture } from "@/demo/recipeSite";

export async function GET(_: Request, { params }: { params: Promise<{ picture: string }> }): Promise<Response> {
  const { picture } = await params;
  return sitePicture(picture);
}
