/// <reference types="astro/client" />

declare namespace App {
  interface Locals {
    /** Who is signed in; null only on the sign-in page. */
    user: import('./server/edge/context').Context['user'] | null
    /** Scripts of an island, by the name of its chunk; told by the server around us. */
    scriptsOf: (island: string) => readonly string[]
    /** Why a page could not be shown, for the page that says so. */
    refusal: { readonly status: number; readonly message: string } | null
  }
}
