<?php

namespace App\Archive;

/** What a shop owns, table by table, in an order in which rows only point at rows before them; and how they are told from other shops'. */
final class ArchiveTables
{
    private const PLATFORM = 'platform_id in (select id from platforms where shop_id = ?)';

    private const PART = 'part_id in (select id from parts where shop_id = ?)';

    private const JOB = 'customer_job_id in (select id from customer_jobs where shop_id = ?)';

    private const PLAN = 'plan_id in (select p.id from plans p join customer_jobs j on j.id = p.customer_job_id where j.shop_id = ?)';

    private const LIMIT = 'limit_id in (select l.id from platform_limits l join platforms p on p.id = l.platform_id where p.shop_id = ?)';

    /** Condition of each table; people come without what signs them in, and who was only asked in not at all. */
    public const ALL = [
        'shops' => 'id = ?',
        'users' => 'id in (select user_id from memberships where shop_id = ? and accepted_at is not null)',
        'memberships' => 'shop_id = ? and accepted_at is not null',
        'shop_terms' => 'shop_id = ?',
        'platforms' => 'shop_id = ?',
        'platform_slots' => self::PLATFORM,
        'platform_limits' => self::PLATFORM,
        'platform_years' => self::PLATFORM,
        'parts' => 'shop_id = ?',
        'fitments' => self::PLATFORM,
        'gain_cases' => 'fitment_id in (select f.id from fitments f join platforms p on p.id = f.platform_id where p.shop_id = ?)',
        'evidence_records' => 'shop_id = ?',
        'limit_outcomes' => self::LIMIT,
        'library_versions' => self::PLATFORM,
        'library_edits' => self::PLATFORM,
        'suppliers' => 'shop_id = ?',
        'price_lists' => 'shop_id = ?',
        'price_list_rows' => 'price_list_id in (select id from price_lists where shop_id = ?)',
        'prices' => self::PART,
        'customers' => 'shop_id = ?',
        'cars' => 'customer_id in (select id from customers where shop_id = ?)',
        'customer_jobs' => 'shop_id = ?',
        'brief_revisions' => self::JOB,
        'plans' => self::JOB,
        'plan_revisions' => self::PLAN,
        'plan_variants' => self::PLAN,
        'stage_marks' => self::PLAN,
        'mileage_readings' => 'car_id in (select r.id from cars r join customers c on c.id = r.customer_id where c.shop_id = ?)',
        'sent_bundles' => 'stage_mark_id in (select m.id from stage_marks m join plans p on p.id = m.plan_id join customer_jobs j on j.id = p.customer_job_id where j.shop_id = ?)',
        'car_fittings' => 'car_id in (select r.id from cars r join customers c on c.id = r.customer_id where c.shop_id = ?)',
        'audit_entries' => 'shop_id = ?',
    ];

    /** What an archive says nothing of: what signs people in, and that their passwords are public. */
    public const SECRET = ['shops' => ['is_demo'], 'users' => ['password', 'second_factor', 'second_factor_on', 'second_factor_step', 'recovery_codes', 'signed_in_at']];

    public const FORMAT = 'pebblerun/archive';

    /** Of version 1 some have fewer tables. */
    public const VERSION = 2;

    public static function order(string $table): string
    {
        return $table === 'price_list_rows' ? 'price_list_id, line' : 'id';
    }

    public static function entry(string $table): string
    {
        return "tables/{$table}.jsonl";
    }
}
