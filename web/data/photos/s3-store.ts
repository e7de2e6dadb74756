import {
  DeleteObjectCommand,
  GetObjectCommand,
  NoSuchKey,
  PutObjectCommand,
  S3Client,
} from '@aws-sdk/client-s3';
import type { FirmData } from '../firm-data.ts';
import type { PhotoName, PhotoStore } from './photo-store.ts';

/** Names of the settings of the environment that name a store; the keys to it are read as every S3 client reads them. */
interface Environment {
  readonly FAIRPLUG_S3_BUCKET?: string | undefined;
  readonly FAIRPLUG_S3_ENDPOINT?: string | undefined;
  readonly FAIRPLUG_S3_REGION?: string | undefined;
}

/** Photos in a bucket of an S3-compatible store; null where none is named. */
export function s3Store(environment: object): PhotoStore | null {
  const {
    FAIRPLUG_S3_BUCKET: bucket,
    FAIRPLUG_S3_ENDPOINT: endpoint,
    FAIRPLUG_S3_REGION: region,
  } = environment as Environment;
  if (!bucket) return null;
  const client = new S3Client({
    region: region || 'us-east-1',
    // Stores other than the first of their kind have no host name for each bucket, and know no newer checksums.
    ...(endpoint ? { endpoint, forcePathStyle: true } : {}),
    requestChecksumCalculation: 'WHEN_REQUIRED',
    responseChecksumValidation: 'WHEN_REQUIRED',
  });
  const at = (firm: FirmData, { hash, version }: PhotoName) => ({
    Bucket: bucket,
    Key: `${firm.id}/${hash}/${version}`,
  });
  return {
    put: async (firm, name, bytes) => {
      await client.send(new PutObjectCommand({ ...at(firm, name), Body: bytes, ContentType: 'image/jpeg' }));
    },
    get: async (firm, name) => {
      try {
        const { Body: body } = await client.send(new GetObjectCommand(at(firm, name)));
        return body?.transformToWebStream() ?? null;
      } catch (error) {
        if (error instanceof NoSuchKey) return null;
        throw error;
      }
    },
    remove: async (firm, name) => {
      await client.send(new DeleteObjectCommand(at(firm, name)));
    },
  };
}
