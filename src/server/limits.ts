/** Larger request bodies are refused (bytes). A job that was saved here is never larger as a file. */
export const LARGEST_BODY = 32 * 1024 * 1024;
