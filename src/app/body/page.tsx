import { Body } from "@/features/body/Body";

export default function Page() {
  return <Body />;
}
