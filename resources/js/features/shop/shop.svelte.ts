import type { ShopPage } from '@/generated/answers';
import { drop, put } from '@/lib/api';
import { told } from '@/lib/told.svelte';

type Document = ShopPage['document'];

/** The shop's terms as the owner is writing them, and from which day they are to hold. */
export class ShopTerms {
    page = $state.raw<ShopPage>() as ShopPage;
    document = $state<Document>() as Document;
    papers = $state<ShopPage['papers']>({});
    from = $state('');
    readonly say = told();
    private kept = $state('');

    constructor(page: ShopPage) {
        this.took(page);
    }

    private written() {
        return JSON.stringify([this.document, this.papers]);
    }

    get changed() {
        return this.written() !== this.kept;
    }

    private took(page: ShopPage) {
        this.page = page;
        this.document = $state.snapshot(page.document);
        this.papers = $state.snapshot(page.papers);
        this.from = page.today;
        this.kept = this.written();
    }

    drop() {
        this.took(this.page);
        this.say.well('');
    }

    async keep() {
        const later = this.from > this.page.today;
        const now = await this.say.of(
            put<ShopPage>('/shop', {
                document: $state.snapshot(this.document),
                papers: $state.snapshot(this.papers),
                holds_from: this.from,
                seen: this.page.seen,
            }),
        );
        if (!now) return;
        this.took(now);
        this.say.well(later ? 'Saved. It holds from its day on.' : 'Saved. It holds from today.');
    }

    async takeBack(id: number) {
        const now = await this.say.of(drop<ShopPage>(`/shop/terms/${id}`));
        if (!now) return;
        this.took(now);
        this.say.well('Taken back.');
    }
}
