/** Opens the database and brings it to the newest shape before the first request. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME === 'nodejs') {
    const { goOn, openOrStop } = await import('./runtime/start');
    await openOrStop();
    await goOn();
  }
}
