<?php

namespace Tests\Feature;

use App\Models\Part;
use Database\Seeders\ManyParts;
use Illuminate\Support\Facades\DB;
use Pebblerun\Formats\SchemaValidator;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Anything that a shop has, by a few letters. */
final class SearchTest extends TestCase
{
    /** @return list<string> "kind title" */
    private function found(string $typed): array
    {
        $answer = $this->getJson('/search?q='.rawurlencode($typed))->assertOk();
        (new SchemaValidator(base_path('schemas')))->check('answers.json#/properties/found', json_decode((string) $answer->getContent()));

        return array_values(array_map(fn (array $one): string => "{$one['kind']} {$one['title']}", (array) $answer->json()));
    }

    /** @return iterable<string, array{string, string}> */
    public static function looks(): iterable
    {
        yield 'a part by its beginning' => ['panel', 'part Fjellvent Panel filter'];
        yield 'a part by maker and name, any order' => ['filter fjell', 'part Fjellvent Panel filter'];
        yield 'the trade says tune for map' => ['dyno tune', 'part Saltmarsh Speed Works Dyno map, soft ramp'];
        yield 'a slip' => ['fjelvent panle', 'part Fjellvent Panel filter'];
        yield 'a platform' => ['lyre', 'platform Corvane Lyre 1.6T'];
        yield 'a platform with a slip' => ['corvan lire', 'platform Corvane Lyre 1.6T'];
        yield 'a job' => ['skarn hill', 'job Skarn Hill commuter'];
        yield 'a note of a gain' => ['warm days', 'evidence Sealed intake box'];
        yield 'signs are no words' => ["'; drop table parts; --", ''];
        yield 'an operator of the text search' => ['panel & !filter | (', 'part Fjellvent Panel filter'];
    }

    #[DataProvider('looks')]
    public function test_it_is_found(string $typed, string $first): void
    {
        $this->actingAs($this->person('technician'));
        $first === '' ? $this->found($typed) : self::assertContains($first, $this->found($typed));
        self::assertSame([], $this->found('x'));
        self::assertSame([], $this->found('zzzzqqqq'));
    }

    public function test_customers_and_cars_are_found_and_every_address_opens(): void
    {
        $this->actingAs($this->person('advisor'));
        DB::table('cars')->where('id', $this->job()->car_id)->update(['registration' => 'SK 41 HLL']);
        $name = (string) DB::table('customers')->where('id', $this->job()->car->customer_id)->value('name');
        self::assertContains("customer {$name}", $this->found($name));
        self::assertNotSame([], preg_grep('/^car .*SK 41 HLL$/', $this->found('sk41h')));
        foreach (['panel', 'lyre', 'skarn', $name, 'sk41h', 'warm days'] as $typed) {
            foreach ($this->getJson('/search?q='.rawurlencode($typed))->json() as $one) {
                $this->followingRedirects()->get($one['address'])->assertOk();
            }
        }
    }

    public function test_another_shop_finds_nothing_of_this_one(): void
    {
        $this->actingAs($this->stranger());
        foreach (['panel', 'lyre', 'skarn', 'fjelvent panle', 'warm days'] as $typed) {
            self::assertSame([], $this->found($typed), $typed);
        }
    }

    public function test_a_part_on_no_platform_is_put_on_one_under_its_own_key(): void
    {
        $this->actingAs($this->person('advisor'));
        (new ManyParts)->run(40);
        $part = Part::query()->where('key', 'many-9')->firstOrFail();
        self::assertContains("part {$part->maker} {$part->name}", $this->found('no 9'));
        $place = (string) $this->get("/parts/{$part->id}")->assertRedirect()->headers->get('Location');
        $props = $this->get($place)->assertOk()->viewData('page')['props'];
        self::assertSame([$part->maker, $part->name], [$props['known']['maker'], $props['known']['name']]);
        $this->postJson("/library/{$props['platform']['id']}/parts", ['document' => ['maker' => $part->maker, 'name' => $part->name, 'slots' => ['filter'], 'price' => (array) $props['known']['price']]])
            ->assertCreated()->assertJsonPath('key', 'many-9');
        self::assertStringEndsWith('/parts/many-9', (string) $this->get("/parts/{$part->id}")->headers->get('Location'));
        self::assertSame(1, $part->prices()->count(), 'its price is the one that it had');
    }
}
