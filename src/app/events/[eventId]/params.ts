export interface EventParams {
  params: Promise<{ eventId: string }>;
}
