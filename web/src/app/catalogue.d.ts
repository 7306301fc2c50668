declare module "*.ftl?read" {
  import type { FluentResource } from "@fluent/bundle";
  const sentences: FluentResource["body"];
  export default sentences;
}
declare module "*.ftl?learn";
