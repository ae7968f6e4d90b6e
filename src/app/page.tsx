import { Today } from "@/features/today/Today";

export default function Page() {
  return <Today />;
}
