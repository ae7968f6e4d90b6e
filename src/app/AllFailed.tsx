"use client";

import { chosenName } from "@/ui/log/findLog";
import { LastResort } from "@/ui/shell/LastResort";
import "@/ui/theme/base.css";

/** The page that stands where even the frame could not be drawn. */
export function AllFailed({ reason }: { reason: string }) {
  return (
    <html lang="en">
      <body>
        <title>Oat Column</title>
        <main>
          <h1>Oat Column</h1>
          <LastResort name={chosenName()} reason={reason} tryAgain={() => location.reload()} />
        </main>
      </body>
    </html>
  );
}
