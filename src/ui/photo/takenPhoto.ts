"use client";

import type { RecordOf } from "@/core/log/records";
import { photoFile } from "@/formats/importing/photoFile";
import type { StoredPhoto } from "@/store/database";
import { v7 as newId } from "uuid";
import { resizePhoto } from "./resizePhoto";

/**
 * A chosen picture as the record and the bytes that are kept of it. @throws Error in the trainee's words when it cannot
 * be read as a picture
 */
export async function takenPhoto(
  file: Blob,
  personId: string,
  date: string,
): Promise<{ photo: RecordOf<"photos">; stored: StoredPhoto }> {
  const bytes = await resizePhoto(file);
  const name = await photoFile(bytes);
  return { photo: { id: newId(), personId, date, file: name }, stored: { file: name, bytes } };
}
