declare global {
  namespace App {
    interface Locals {
      /** Who is at the bench: picked once, kept in a cookie. */
      who: string;
      theme: 'system' | 'day' | 'night';
    }
    interface Error {
      message: string;
    }
  }
}

export {};
