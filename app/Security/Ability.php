<?php

namespace App\Security;

/** What a role may or may not do in its shop; policies ask for these and for nothing else. */
enum Ability: string
{
    case ReadJobs = 'read-jobs';
    /** Start jobs and answer their briefs. */
    case EditJobs = 'edit-jobs';
    case EditPlans = 'edit-plans';
    /** Say what is agreed on prices, and what margins are. */
    case SetPrices = 'set-prices';
    case AcceptPastEdge = 'accept-past-edge';
    /** Change platforms, parts and suppliers, and publish them. */
    case KeepLibrary = 'keep-library';
    case KeepDynoRuns = 'keep-dyno-runs';
    case WriteJobCards = 'write-job-cards';
    /** Change what the shop charges, works with and writes on its papers. */
    case KeepShop = 'keep-shop';
    case ManagePeople = 'manage-people';
    case ReadAudit = 'read-audit';
    case ReadHealth = 'read-health';
    /** Take everything that the shop owns away in one file. */
    case ExportShop = 'export-shop';

    /** What a command of a plan asks besides editing it; null for nothing. */
    public static function ofCommand(mixed $command): ?self
    {
        $fields = is_array($command) ? $command : (is_object($command) ? get_object_vars($command) : []);

        return match (true) {
            ($fields['do'] ?? null) === 'accept' => self::AcceptPastEdge,
            array_key_exists('agreed', $fields) => self::SetPrices,
            default => null,
        };
    }
}
