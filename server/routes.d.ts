declare module '#routes' {
  export const ROUTES: import('./http/openapi').RouteFile[]
}
