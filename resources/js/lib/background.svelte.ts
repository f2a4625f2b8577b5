import type { Task } from '@/generated/answers';
import { drop, get } from './api';

const AGAIN = 400; // ms

/** Work in the background that somebody waits for: how far it is, what came of it, and a way to stop it. */
export class Background {
    task = $state.raw<Task | null>(null);
    isLive = $derived(this.task?.state === 'waiting' || this.task?.state === 'running');

    /** What came of it; undefined where it was cancelled. Fails with the reason where it failed. */
    async of<T>(begun: Promise<Task>): Promise<T | undefined> {
        this.task = await begun;
        while (this.isLive) {
            await new Promise((resolve) => setTimeout(resolve, AGAIN));
            this.task = await get<Task>(`/tasks/${this.task.id}`);
        }
        if (this.task.state === 'failed') throw new Error(this.task.reason);
        return this.task.state === 'done' ? (this.task.result as T) : undefined;
    }

    async cancel() {
        if (this.task) this.task = await drop<Task>(`/tasks/${this.task.id}`).catch(() => this.task);
    }
}
