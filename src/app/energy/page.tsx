import { Energy } from "@/features/energy/Energy";

export default function Page() {
  return <Energy />;
}
