/** The part of Plotly's basic bundle that the charts use. */
declare module 'plotly.js-basic-dist-min' {
  export function react(element: HTMLElement, data: object[], layout: object, config?: object): Promise<unknown>;
  export function purge(element: HTMLElement): void;
}
