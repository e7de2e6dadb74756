import type { z } from 'zod';
import { photosAnswer, pieceAnswer } from '@/contract/answers';
import { RequestFailed } from '../request-failed';

/** Where a piece of a photo stands in it. */
export interface PieceOf {
  readonly from: number;
  /** Bytes of the whole. */
  readonly total: number;
  /** Ids of the blurs that are burnt into it; null: it is the whole. */
  readonly burnt: readonly string[] | null;
}

/** A slow network has so long for a piece, in milliseconds. */
const piecePatience = 90_000;

/** Asks the server as one person about one firm, and parses what it answers. */
type Ask = <S extends z.ZodType>(
  path: string,
  schema: () => S,
  init?: RequestInit,
  patience?: number,
) => Promise<z.infer<S>>;

/** What is asked of the server about photos; `own` are the headers that say who asks. */
export const photoApi = (firm: string, own: Readonly<Record<string, string>>, about: Ask) => ({
  /** Which of a job's photos the server has. */
  photos: async (job: string) => (await about(`/api/jobs/${job}/photos`, photosAnswer)).photos,
  /** Sends a piece of a photo; answers how much of it the server has. */
  sendPiece: (job: string, hash: string, { from, total, burnt }: PieceOf, bytes: ArrayBuffer) =>
    about(
      `/api/jobs/${job}/photos/${hash}?from=${from}&total=${total}${burnt === null ? '' : `&burnt=${burnt.join(',')}`}`,
      pieceAnswer,
      { method: 'PUT', headers: { 'Content-Type': 'application/octet-stream' }, body: bytes },
      piecePatience,
    ),
  /** Bytes of a photo; null where the server has none. Throws RequestFailed where it cannot be asked. */
  photo: async (job: string, hash: string, version: 'whole' | 'small'): Promise<ArrayBuffer | null> => {
    try {
      const response = await fetch(`/api/jobs/${job}/photos/${hash}?version=${version}`, { headers: own });
      return response.ok ? await response.arrayBuffer() : null;
    } catch {
      throw new RequestFailed('server-away', 'The server does not answer.');
    }
  },
  /** Where the browser finds a photo as it leaves the firm, and the file of a whole job. */
  leavingAddress: (job: string, photo: string, size: 'small' | 'large') =>
    `/api/jobs/${job}/leaving/${photo}?firm=${firm}&size=${size}`,
  archiveAddress: (job: string) => `/api/jobs/${job}/archive?firm=${firm}`,
});
