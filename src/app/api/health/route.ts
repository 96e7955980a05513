/** Open to everyone: says only that this process answers. Who starts processes asks here. */
export function GET(): Response {
  return Response.json({ application: 'answers' });
}
