import { Report } from "@/features/report/Report";

export default function Page() {
  return <Report />;
}
