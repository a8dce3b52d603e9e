declare module '#routes' {
  export const ROUTES: import('./http/openapi').RouteFile[]
}
declare module '#pages' {
  export const PAGES: readonly RegExp[]
}
