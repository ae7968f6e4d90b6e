import { Files } from "@/features/files/Files";

export default function Page() {
  return <Files />;
}
