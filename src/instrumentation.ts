/** Opens the database and brings it to the newest shape before the first request. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { house } = await import('./runtime/house');
  const { MigrationRefused } = await import('./persistence');
  try {
    await house();
  } catch (error) {
    console.error(error instanceof MigrationRefused ? error.message : error);
    process.exit(1);
  }
}
