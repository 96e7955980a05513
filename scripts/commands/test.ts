export async function test(): Promise<void> {}
