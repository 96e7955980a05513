export async function shots(): Promise<void> {}
