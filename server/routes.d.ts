declare module '#routes' {
  export const ROUTES: import('./openapi').RouteFile[]
}
