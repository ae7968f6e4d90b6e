"use client";

import { addDays } from "@/ui/dates";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { usePrinter } from "@/ui/usePrinter";
import view from "@/ui/view.module.css";
import dynamic from "next/dynamic";
import { useRef, useState } from "react";
import { Blocks } from "./Blocks";
import { LiftsHead } from "./LiftsNav";
import { WorkLines } from "./WorkLines";
import { WorkMuscles } from "./WorkMuscles";
import { WorkSessions } from "./WorkSessions";
import { WorkStretch } from "./WorkStretch";
import { WorkTotals } from "./WorkTotals";
import { WorkWeeks } from "./WorkWeeks";
import { WorkZones } from "./WorkZones";

const WorkChart = dynamic(() => import("./WorkChart").then((module) => module.WorkChart), { ssr: false });

/** From what work? How much, how heavy, and where it went, over any stretch of days. */
export function Work() {
  const { today } = useLog();
  const [stretch, setStretch] = useState({ from: addDays(today, -83), to: today });
  const [blocksAtMost, setBlocksAtMost] = useState(4);
  const top = useRef<HTMLDivElement>(null);
  const work = useFigure("work", stretch);
  const blocks = useFigure("blocks", { atMost: blocksAtMost });
  const printer = usePrinter();
  return (
    <>
      <LiftsHead />
      <WorkStretch place={top} stretch={stretch} choose={setStretch} blocks={blocks?.blocks ?? []} />
      {work &&
        (work.total.sessions === 0 && work.total.planned.sets === 0 ? (
          <p>Nothing was lifted in these days.</p>
        ) : (
          <>
            <WorkTotals work={work} printer={printer} />
            <WorkChart weeks={work.weeks} />
            <div className={view.two}>
              <div>
                <WorkLines title="By group" lines={work.byGroup} printer={printer} />
                <WorkLines title="By lift" lines={work.byLift} printer={printer} />
              </div>
              <div>
                <WorkMuscles work={work} />
                <WorkZones work={work} />
              </div>
            </div>
            <WorkWeeks work={work} printer={printer} />
          </>
        ))}
      {blocks && (
        <Blocks
          blocks={blocks}
          printer={printer}
          choose={(days) => {
            setStretch(days);
            top.current?.scrollIntoView({ block: "center" });
          }}
          showMore={() => setBlocksAtMost(blocks.blocksInAll)}
        />
      )}
      {work && work.sessions.length > 0 && <WorkSessions work={work} printer={printer} />}
    </>
  );
}
