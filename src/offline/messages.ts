/** What a page may say to the service worker. */
export type ServiceMessage = "take over" | "is it whole";

/** How much of the application is kept for use without a network. */
export interface KeptStanding {
  files: number;
  missing: number;
}

/** What the service worker asks its pages: whether the disk has room for so many bytes. */
export interface RoomQuestion {
  room: number;
}
