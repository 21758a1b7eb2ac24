/// <reference types="astro/client" />

declare namespace App {
  /** What the host tells the pages it runs. */
  interface Locals {
    /** Where an access code is asked for: who has come in, and which of these is asking. */
    access?: {
      readonly own: string;
      readonly sessions: readonly import('./host/sessions.js').Session[];
    };
  }
}
