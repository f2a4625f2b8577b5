<?php

namespace Tests\Feature;

use Illuminate\Http\Response;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;

final class VariantTest extends TestCase
{
    private function url(string $rest = ''): string
    {
        return "/plans/{$this->plan()->id}/variants{$rest}";
    }

    public function test_a_plan_is_kept_under_a_name_compared_and_taken_back(): void
    {
        $this->actingAs($this->person('advisor'));
        $start = $this->plan()->document;
        $kept = $this->postJson($this->url(), ['name' => 'As quoted', 'revision' => 1])->assertCreated()->json();
        self::assertCount(4, $kept[0]['run']);
        $this->edit([['do' => 'fit', 'stage' => 's2', 'part' => 'kolvane-front-9']], 1)->assertOk();

        $compared = $this->compare($kept[0]['id'])->assertOk()->json();
        self::assertSame([['slot' => 'Intercooler', 'here' => 'Front cooler, 9 L, stage 2', 'there' => 'Top cooler, 6 L, stage 2']], $compared['parts']);
        $figures = array_column($compared['figures'], null, 'name');
        self::assertSame('here', $figures['Wheel power, median']['better']);
        self::assertSame('there', $figures['Total']['better']);
        self::assertSame('neither', $figures['Stages']['better']);

        $this->step('take', $kept[0]['id'], 1)->assertStatus(409);
        $this->step('take', $kept[0]['id'], 2)->assertOk()->assertJson(['state' => ['revision' => 3, 'label' => 'Take variant "As quoted"', 'redo' => null]]);
        self::assertEquals($start, $this->plan()->document);
        self::assertSame([], $this->compare($kept[0]['id'])->json('parts'));
    }

    /** @return TestResponse<Response> of the plan as it is beside a variant */
    private function compare(int $variant): TestResponse
    {
        return $this->getJson("/plans/{$this->plan()->id}/comparison?".http_build_query(['here' => 0, 'there' => $variant]));
    }

    public function test_two_variants_are_compared_with_the_curves_of_both(): void
    {
        $this->actingAs($this->person('advisor'));
        $one = $this->postJson($this->url(), ['name' => 'A', 'revision' => 1])->json('0.id');
        $this->edit([['do' => 'fit', 'stage' => 's2', 'part' => 'kolvane-front-9']], 1)->assertOk();
        $other = $this->postJson($this->url(), ['name' => 'B', 'revision' => 2])->json('1.id');
        $this->edit([['do' => 'remove-stage', 'stage' => 's3']], 2)->assertOk();
        $compared = $this->getJson("/plans/{$this->plan()->id}/comparison?".http_build_query(['here' => $one, 'there' => $other]))->assertOk();
        self::assertSame(['Intercooler'], array_column($compared->json('parts'), 'slot'));
        self::assertGreaterThan(max($compared->json('curves.here.power')), max($compared->json('curves.there.power')));
        self::assertGreaterThan(max($compared->json('curves.received.power')), max($compared->json('curves.here.power')));
        $this->getJson("/plans/{$this->plan()->id}/comparison?here=0")->assertStatus(422);
    }

    public function test_a_name_is_kept_once_and_can_be_dropped(): void
    {
        $this->actingAs($this->person('advisor'));
        $this->postJson($this->url(), ['name' => 'A', 'revision' => 1])->assertCreated();
        $again = $this->postJson($this->url(), ['name' => 'A', 'revision' => 1])->assertCreated()->json();
        self::assertCount(1, $again);
        $this->postJson($this->url(), ['name' => '   ', 'revision' => 1])->assertStatus(422);
        $this->deleteJson($this->url("/{$again[0]['id']}"))->assertOk()->assertExactJson([]);
    }

    public function test_another_persons_variant_is_not_replaced_but_ones_own_is(): void
    {
        $this->actingAs($this->person('owner'))->postJson($this->url(), ['name' => 'A', 'revision' => 1])->assertCreated();
        $answer = $this->actingAs($this->person('advisor'))->postJson($this->url(), ['name' => 'A', 'revision' => 1])->assertStatus(422);
        self::assertSame('There is a variant "A" by Odd Lindqvar: choose another name.', $answer->json('errors.name.0'));
        self::assertSame('Odd Lindqvar', $this->plan()->variants()->sole()->author->name);
        $this->actingAs($this->person('owner'))->postJson($this->url(), ['name' => 'A', 'revision' => 1])->assertCreated();
    }

    public function test_a_deleted_variant_comes_back_as_it_was_unless_its_name_was_given_away(): void
    {
        $this->actingAs($this->person('advisor'));
        $id = $this->postJson($this->url(), ['name' => 'A', 'revision' => 1])->json('0.id');
        $this->deleteJson($this->url("/{$id}"))->assertOk()->assertExactJson([]);
        $this->compare($id)->assertNotFound();
        $this->postJson($this->url("/{$id}/restore"))->assertOk()->assertJsonPath('0.name', 'A');
        $this->deleteJson($this->url("/{$id}"))->assertOk();
        $this->postJson($this->url(), ['name' => 'A', 'revision' => 1])->assertCreated();
        $this->postJson($this->url("/{$id}/restore"))->assertStatus(422)->assertJsonValidationErrors('name');
        self::assertCount(1, $this->getJson($this->url())->json());
    }

    public function test_a_variant_is_what_was_seen_and_not_what_came_meanwhile(): void
    {
        $this->actingAs($this->person('advisor'));
        $this->edit([['do' => 'rename-stage', 'stage' => 's2', 'name' => 'other']], 1)->assertOk();
        $this->postJson($this->url(), ['name' => 'A', 'revision' => 1])->assertStatus(422)->assertJsonValidationErrors('revision');
        self::assertSame(0, $this->plan()->variants()->count());
    }

    public function test_a_variant_of_another_plan_is_not_found_here(): void
    {
        $this->actingAs($this->person('advisor'));
        $other = $this->plan('Natural first');
        $id = $this->postJson("/plans/{$other->id}/variants", ['name' => 'B', 'revision' => 1])->json('0.id');
        $this->compare($id)->assertNotFound();
    }

    public function test_a_line_dragged_on_the_run_is_an_answer_of_the_brief(): void
    {
        $bench = ['show' => 'bench', 'plan' => $this->plan()->id];
        $answer = $this->answer(['target' => ['power' => 310]], more: $bench)->assertOk();
        self::assertEquals(310, $answer->json('state.estimate.target.power'));
        self::assertSame('over', $answer->json('state.estimate.verdict.0.status'));
        $this->answer(['budget.total' => 9000], more: $bench)->assertOk()->assertJsonPath('state.estimate.budget.total', 9000);
        $brief = $this->job()->brief;
        self::assertSame([310, 9000], [(int) $brief['target']['power'], (int) $brief['budget']['total']]);
        self::assertSame(3, $this->job()->brief_revision);
    }
}
