import { defineConfig } from 'drizzle-kit';

export default defineConfig({
    dialect: 'mysql',
    schema: './src/lib/server/store/schema.ts',
    out: './src/lib/server/store/migrations',
});
