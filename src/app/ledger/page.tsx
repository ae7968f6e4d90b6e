import { Ledger } from "@/features/ledger/Ledger";

export default function Page() {
  return <Ledger />;
}
