/** The name under which a browser is asked to send what waits once there is a network. */
export const SYNC = "tachylim-outbox";
