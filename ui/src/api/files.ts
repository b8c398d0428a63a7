/** A file as a request's body: the server reads it itself, and tells where it is no JSON. */
export const fileAsItIs = <T>(file: File) => ({
  body: file as unknown as T,
  bodySerializer: (body: unknown) => body as File,
});
