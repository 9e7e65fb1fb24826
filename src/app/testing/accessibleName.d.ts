/** Its own types cannot be reached by the way it is imported. */
declare module 'dom-accessibility-api' {
  export function computeAccessibleName(element: Element): string;
}
