import { config } from 'zod';

// Zod compiles checks with `new Function` where it may; our Content-Security-Policy forbids that, so it need not try.
config({ jitless: true });
