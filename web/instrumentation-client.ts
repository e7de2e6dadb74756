import { isId } from '@fair-plug/core/log';
import { headStart } from '@/local/local-store';

// Runs as soon as the application's code is there, before its page is put together.
const job = new URLSearchParams(location.search).get('job') ?? '';
if (isId(job)) headStart(job);
