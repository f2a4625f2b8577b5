<?php

namespace Pebblerun\Core\Report;

use Pebblerun\Core\Advice\NextStep;
use Pebblerun\Core\Catalog\Cars\Tyres;
use Pebblerun\Core\Catalog\Conditions\MapKind;
use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Catalog\Parts\Caution;
use Pebblerun\Core\Catalog\Parts\Sound;
use Pebblerun\Core\Catalog\Parts\SoundLevel;
use Pebblerun\Core\Evaluation\Limits\Status;
use Pebblerun\Core\Job\Brief\HealthCheck;
use Pebblerun\Core\Job\Brief\Question;
use Pebblerun\Core\Job\Brief\Refusal;
use Pebblerun\Core\Job\Brief\Risk;
use Pebblerun\Core\Job\Brief\Warning;
use Pebblerun\Core\Job\Life\LifeHindrance;
use Pebblerun\Core\Job\Life\StageLife;
use Pebblerun\Core\Job\Plan\PriceBasis;
use Pebblerun\Core\Job\Plan\Stacking;
use Pebblerun\Core\Job\Starting\EngineKind;
use Pebblerun\Core\Physics\Driveline\Gearbox;
use Pebblerun\Core\Physics\Dyno\Correction;

/** What codes are called: every word for a closed set stands here. */
final class Terms
{
    /** Said under every estimate. */
    public const PROMISE = 'An estimate is not a promise. Test on the road only within the law, otherwise on a closed course. Local codes and licensed practice come first.';

    public static function status(Status $status): string
    {
        return match ($status) {
            Status::Clear => 'clear',
            Status::Close => 'close to safe',
            Status::Over => 'over safe',
            Status::HeldBack => 'held back by the map',
            Status::PastEdge => 'past where it breaks',
            Status::Unknown => 'not estimated: judge it by hand',
        };
    }

    public static function evidence(Evidence $evidence): string
    {
        return match ($evidence) {
            Evidence::Maker => "maker's claim",
            Evidence::ShopDyno => "shop's dyno",
            Evidence::OtherDyno => 'another dyno',
            Evidence::Judgement => 'judgement',
            Evidence::Typical => 'typical of its kind',
        };
    }

    /** How a part sounds and feels, as one sentence: it can be told before it is bought. */
    public static function sound(Sound $sound): string
    {
        $words = match ($sound->level) {
            SoundLevel::Open => 'Open and loud',
            SoundLevel::ALittle => 'A little louder than stock',
            default => 'As quiet as stock',
        };
        $words .= match ($sound->drone) {
            'much' => ', much drone on the motorway',
            'some' => ', some drone on the motorway',
            default => ', no drone',
        };
        $words .= match ($sound->response) {
            'sharper' => ', sharper to the pedal',
            'softer' => ', softer to the pedal',
            default => '',
        };
        $words .= match ($sound->clutch) {
            'heavy' => ', a heavy clutch pedal.',
            'heavier' => ', a heavier clutch pedal.',
            default => '.',
        };

        return trim("{$words} {$sound->note}");
    }

    public static function engineKind(EngineKind $kind): string
    {
        return match ($kind) {
            EngineKind::Turbo => 'turbo, direct injection, 2.0',
            EngineKind::Natural => 'natural four',
            EngineKind::Blown => 'V8 with blower',
            EngineKind::Diesel => 'turbo diesel',
            EngineKind::Single => 'small single',
        };
    }

    public static function mapKind(MapKind $kind): string
    {
        return match ($kind) {
            MapKind::OffTheShelf => 'an off-the-shelf map',
            MapKind::Remote => 'a remote map',
            MapKind::Dyno => 'a dyno map',
        };
    }

    public static function quantity(Quantity $quantity): string
    {
        return match ($quantity) {
            Quantity::WheelPower => 'wheel power',
            Quantity::WheelTorque => 'wheel torque',
            Quantity::CrankPower => 'crank power',
            Quantity::CrankTorque => 'crank torque',
            Quantity::EngineSpeed => 'engine speed',
            Quantity::Boost => 'boost',
            Quantity::FuelFlow => 'fuel flow',
            Quantity::ChargeTemperature => 'charge temperature',
            Quantity::ExhaustTemperature => 'exhaust temperature',
            Quantity::TurboFlow => 'compressor flow',
            Quantity::Knock => 'octane asked',
            Quantity::Smoke => 'air for the fuel',
        };
    }

    /** Who must judge what no figure says, and how. */
    public static function judge(Quantity $quantity): string
    {
        return match ($quantity) {
            Quantity::ExhaustTemperature => 'whoever maps it must watch it with a probe before the turbine',
            Quantity::ChargeTemperature => 'whoever maps it must log it over repeated pulls',
            Quantity::Boost => 'whoever maps it must log it',
            Quantity::FuelFlow => 'whoever maps it must watch mixture and pressure at full load',
            Quantity::TurboFlow => 'whoever chooses the turbo must read its map',
            Quantity::Knock => 'whoever maps it must listen for it',
            Quantity::Smoke => 'whoever maps it must watch the exhaust under load',
            default => 'whoever builds the engine must judge it',
        };
    }

    public static function correction(Correction $correction): string
    {
        return match ($correction) {
            Correction::None => 'as observed',
            Correction::J1349 => 'SAE J1349',
            Correction::J607 => 'SAE J607 (STD)',
            Correction::Din70020 => 'DIN 70020',
            Correction::R85 => 'ECE R85',
        };
    }

    public static function healthCheck(HealthCheck $check): string
    {
        return match ($check) {
            HealthCheck::Plugs => 'plugs',
            HealthCheck::Compression => 'compression or leak-down',
            HealthCheck::Leaks => 'boost and vacuum leaks',
            HealthCheck::Clutch => 'clutch slip',
            HealthCheck::Oil => 'oil',
            HealthCheck::Cooling => 'cooling',
            HealthCheck::Brakes => 'brakes',
            HealthCheck::Tyres => 'tyres',
        };
    }

    /** As a choice of the brief. */
    public static function refusal(Refusal $refusal): string
    {
        return match ($refusal) {
            Refusal::Louder => 'Anything louder',
            Refusal::Cutting => 'Cutting or grinding',
            Refusal::Lag => 'More turbo lag',
            Refusal::HarderClutch => 'A harder clutch',
            Refusal::Smell => 'Exhaust smell',
        };
    }

    /** What a part does that is refused. */
    public static function refusedEffect(Refusal $refusal): string
    {
        return match ($refusal) {
            Refusal::Louder => 'makes the car louder',
            Refusal::Cutting => 'needs cutting or grinding',
            Refusal::Lag => 'brings boost later',
            Refusal::HarderClutch => 'makes the clutch harder',
            Refusal::Smell => 'lets the exhaust smell',
        };
    }

    public static function warning(Warning $warning): string
    {
        return match ($warning) {
            Warning::Reliability => 'More power costs reliability: what was made for less wears faster, and something may break.',
            Warning::Reserve => 'A reserve for breakage belongs in the budget, and is in every figure here.',
            Warning::Warranty => 'A map or a part may end the maker’s warranty on what it touches.',
            Warning::Insurance => 'The insurer must be told; an undeclared change can void the cover.',
            Warning::Law => 'Emission parts, noise and roadworthiness follow local rules; a licensed shop and the local code decide.',
        };
    }

    public static function question(Question $question): string
    {
        return match ($question) {
            Question::Purpose => 'purpose',
            Question::Mileage => 'mileage',
            Question::Health => 'health check',
            Question::Baseline => 'own baseline',
            Question::Target => 'target',
            Question::Budget => 'budget',
            Question::RpmRange => 'rpm range in use',
            Question::Fuels => 'fuels within reach',
            Question::Use => 'road or track',
            Question::Noise => 'noise',
            Question::Inspection => 'inspection',
            Question::Warranty => 'warranty',
            Question::Refuses => 'what the customer refuses',
            Question::Risk => 'risk',
            Question::Warnings => 'warnings given',
        };
    }

    public static function risk(Risk $risk): string
    {
        return match ($risk) {
            Risk::Cautious => 'cautious',
            Risk::Normal => 'normal',
            Risk::Bold => 'bold',
        };
    }

    /** Ready, with a limit past safe that the customer's risk allows. */
    public static function readyAtBoldRisk(): string
    {
        return 'ready to show, at bold risk';
    }

    public static function nextStep(NextStep $step): string
    {
        return match ($step) {
            NextStep::Brief => 'finish the brief',
            NextStep::Baseline => 'measure its baseline, check its health',
            NextStep::Open => 'settle what is open',
            NextStep::Limit => 'a limit is passed',
            NextStep::Budget => 'over budget',
            NextStep::Target => 'short of the target',
            NextStep::Ready => 'ready to show',
            NextStep::Answer => 'waits for an answer',
            NextStep::Order => 'order parts',
            NextStep::Begin => 'parts are there, begin',
            NextStep::Work => 'in work',
            NextStep::Done => 'done',
        };
    }

    public static function gearbox(Gearbox $gearbox): string
    {
        return match ($gearbox) {
            Gearbox::Manual => 'manual',
            Gearbox::Automatic => 'automatic',
            Gearbox::DualClutch => 'dual clutch',
        };
    }

    public static function tyres(Tyres $tyres): string
    {
        return match ($tyres) {
            Tyres::Road => 'road',
            Tyres::Sport => 'sport',
            Tyres::SemiSlick => 'semi-slick',
            Tyres::Winter => 'winter',
            Tyres::AllTerrain => 'all-terrain',
        };
    }

    public static function stageLife(StageLife $life): string
    {
        return match ($life) {
            StageLife::Planned => 'planned',
            StageLife::Proposed => 'proposed',
            StageLife::Accepted => 'accepted',
            StageLife::Parts => 'parts are there',
            StageLife::InWork => 'in work',
            StageLife::Done => 'done',
        };
    }

    /** @param  int  $stage  counted from 1 */
    public static function lifeHindrance(LifeHindrance $why, StageLife $life, int $stage): string
    {
        return match ($why) {
            LifeHindrance::Same => "Stage {$stage} is marked \"".self::stageLife($life).'" already.',
            LifeHindrance::EarlierOpen => "Stage {$stage} builds on the stages before it: mark those done first.",
            LifeHindrance::LaterDone => "A stage after stage {$stage} is done and builds on it: take that back first.",
        };
    }

    public static function oldPrices(): string
    {
        return 'prices older than '.NextStep::PRICE_DAYS.' days';
    }

    public static function stacking(Stacking $stacking): string
    {
        return match ($stacking) {
            Stacking::Diminishing => 'diminishing in each family',
            Stacking::Compound => 'compounding',
            Stacking::Sum => 'plain sum',
        };
    }

    public static function priceBasis(PriceBasis $basis): string
    {
        return match ($basis) {
            PriceBasis::New => 'new',
            PriceBasis::Used => 'used',
            PriceBasis::Owned => 'customer’s own',
        };
    }

    public static function caution(Caution $caution): string
    {
        return match ($caution) {
            Caution::Battery => 'Disconnect the battery first; both, where there are two.',
            Caution::Hot => 'Exhaust and turbo burn long after the engine stops: let them cool.',
            Caution::FuelPressure => 'Depressurise the fuel system; no flame near, extinguisher at hand.',
            Caution::Alcohol => 'Ethanol and methanol are poisonous and burn with an invisible flame: compatible hoses and seals only.',
            Caution::Nitrous => 'Bottle upright and secured, bay ventilated, never on a lean or unmapped engine.',
            Caution::Lifting => 'Stands, never a jack alone; eye and hearing protection.',
            Caution::Cutting => 'Cutting and grinding: sparks. Clear fuel and vapour away, wear eye protection.',
            Caution::Dyno => 'On the dyno: straps checked, nobody beside turning wheels, exhaust drawn off.',
            Caution::Emissions => 'Emission parts, noise and inspection follow local rules: check them with a licensed shop.',
            Caution::Brakes => 'Brakes, tyres and cooling must match the new power.',
            Caution::Governor => 'Never defeat a governor or speed limiter without guarding what it protected.',
        };
    }
}
