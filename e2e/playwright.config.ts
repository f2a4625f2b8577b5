import { defineConfig } from '@playwright/test';
import { address, many } from './site';

export default defineConfig({
    testDir: '.',
    outputDir: './results',
    workers: many,
    timeout: 120_000,
    expect: { timeout: 20_000 },
    retries: 0,
    reporter: 'list',
    use: {
        baseURL: address,
        viewport: { width: 1280, height: 800 },
        launchOptions: {
            executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
            args: [
                '--no-sandbox',
                '--disable-gpu',
                '--disable-quic',
                '--no-first-run',
                '--disable-background-networking',
                '--disable-component-update',
                '--disable-sync',
            ],
        },
    },
});
