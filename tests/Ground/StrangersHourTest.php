<?php

namespace Tests\Ground;

use PDO;
use PDOException;
use PHPUnit\Framework\Attributes\Depends;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Symfony\Component\Process\Process;

/**
 * What an attacker and a bad hour try, on a real start with two shops: bodies, queries, roles, mail, SQL in the web's role, logs, kills. It is
 * short; PEBBLERUN_HOUR=1 makes it as long as docs/security.md says.
 */
final class StrangersHourTest extends GroundCase
{
    private const WORDS = 'heron marsh lantern %s';

    private const OWNERS = ['saltmarsh' => 'odd@heron.test', 'dunlin' => 'ada@dunlin.test'];

    /** @var array<string, array<string, Caller>> by shop and role */
    private static array $people = [];

    /** @var array<string, array{job: int, plan: int, platform: int, part: int}> what each shop has */
    private static array $has = [];

    protected static function port(): int
    {
        return 8890;
    }

    protected static function place(): string
    {
        return 'another place';
    }

    private static function long(): bool
    {
        return getenv('PEBBLERUN_HOUR') === '1';
    }

    private static function times(int $long, int $short): int
    {
        return self::long() ? $long : $short;
    }

    /** Another address each, so that nobody's limits are another's. */
    private static function caller(int $n = 1): Caller
    {
        return new Caller(self::port(), "127.0.0.{$n}");
    }

    private static function artisan(string ...$words): string
    {
        return trim(self::shell(['-c', '. bin/lib/ground.sh; QUIET=1; choose_run; settings; artisan "$@"', 'artisan', ...array_values($words)]));
    }

    private static function link(string $email): string
    {
        $said = self::artisan('person:password', $email);

        return (string) parse_url($said, PHP_URL_PATH);
    }

    /** @return array<string, string> settings of this place */
    private static function settings(): array
    {
        $said = [];
        foreach (file(self::$place.'/settings.env', FILE_IGNORE_NEW_LINES) ?: [] as $line) {
            [$name, $value] = explode('=', $line, 2);
            $said[$name] = $value;
        }

        return $said;
    }

    public function test_an_empty_start_has_no_demo_and_a_link_makes_the_first_shop_once(): void
    {
        $said = self::shell(['bin/start', '--empty']);
        self::assertStringNotContainsString('tide-and-stone', $said);
        self::assertMatchesRegularExpression('#http://127\.0\.0\.1:8890/begin/[\w-]{43}#', $said);
        preg_match('#/begin/[\w-]{43}#', $said, $found) === 1 || self::fail($said);
        $caller = self::caller();
        self::assertSame('nothing', self::sql('select installation()'));
        self::assertSame(200, $caller->get('/sign-in'));
        self::assertStringNotContainsString('tide-and-stone', $caller->body);
        self::assertSame(410, $caller->get('/begin/'.str_repeat('a', 43)));
        $shop = ['shop' => 'Heron Works', 'place' => 'Port Ellery', 'currency' => 'EUR', 'labour_rate' => 85, 'dyno_rate' => 60, 'tax_percent' => 20, 'time_zone' => 'UTC', 'power' => 'hp', 'torque' => 'lb-ft', 'dyno' => 'load-roller', 'name' => 'Odd Lindqvar', 'email' => self::OWNERS['saltmarsh'], 'password' => sprintf(self::WORDS, 'owner'), 'again' => sprintf(self::WORDS, 'owner')];
        self::assertSame(422, $caller->form($found[0], [...$shop, 'labour_rate' => -1]));
        self::assertStringContainsString('labour', $caller->body);
        self::assertSame(302, $caller->form($found[0], $shop));
        self::assertSame(410, $caller->form($found[0], [...$shop, 'email' => 'second@heron.test']), 'once');
        self::assertSame('1', self::sql('select count(*) from shops'));
        self::assertSame(302, $caller->signIn(self::OWNERS['saltmarsh'], sprintf(self::WORDS, 'owner')));
        self::assertSame(200, $caller->get('/me'));
        self::$people['saltmarsh']['owner'] = $caller;
        $again = self::process(['bin/start', '--empty']);
        self::assertSame(1, $again->run());
        self::assertStringContainsString('there is a shop in this installation already', $again->getErrorOutput());
        self::assertStringNotContainsString('loading the demo', self::shell(['bin/start']));
    }

    #[Depends('test_an_empty_start_has_no_demo_and_a_link_makes_the_first_shop_once')]
    public function test_two_shops_with_all_their_roles(): void
    {
        $shop = json_decode((string) file_get_contents(self::root().'/demo/shop.json'), true);
        $shop['shop']['name'] = 'Dunlin Works';
        $file = self::$place.'/work/dunlin.json';
        file_put_contents($file, (string) json_encode($shop));
        chmod($file, 0644);
        self::artisan('shop:create', $file, '--owner=Ada Fenn', '--email='.self::OWNERS['dunlin']);
        $owner = self::caller(2);
        $link = self::link(self::OWNERS['dunlin']);
        self::assertSame(302, $owner->form($link, ['password' => sprintf(self::WORDS, 'owner'), 'again' => sprintf(self::WORDS, 'owner')]));
        self::assertSame(410, $owner->form($link, ['password' => sprintf(self::WORDS, 'other'), 'again' => sprintf(self::WORDS, 'other')]));
        self::assertSame(302, $owner->signIn(self::OWNERS['dunlin'], sprintf(self::WORDS, 'owner')));
        self::$people['dunlin']['owner'] = $owner;
        $at = 10;
        foreach (['saltmarsh' => 'Heron Works', 'dunlin' => 'Dunlin Works'] as $key => $name) {
            foreach (['advisor', 'tuner', 'technician'] as $role) {
                $email = "{$role}@{$key}.test";
                self::assertSame(201, self::$people[$key]['owner']->json('POST', '/people', ['name' => ucfirst($role).' Rask', 'email' => $email, 'role' => $role]));
                self::assertSame(302, self::caller(++$at)->form(self::invited($key, $email), ['password' => sprintf(self::WORDS, $role), 'again' => sprintf(self::WORDS, $role)]));
                $person = self::caller(++$at);
                self::assertSame(302, $person->signIn($email, sprintf(self::WORDS, $role)), "{$email}: {$person->body}");
                self::assertSame($role, $person->get('/me') === 200 ? $person->answer()['role'] : null);
                self::$people[$key][$role] = $person;
            }
            self::shell(['-c', 'bin/pebblerun "$@"', 'pebblerun', 'import', 'demo/platforms/corvane-lyre-16t.json', 'demo/parts/corvane-lyre-16t.json', "--shop={$name}"]);
            $platform = (int) self::sql("select p.id from platforms p join shops s on s.id = p.shop_id where s.name = '{$name}'");
            self::assertSame(302, self::$people[$key]['advisor']->json('POST', '/jobs', ['title' => 'Hill climb', 'customer' => "Customer of {$name}", 'platform' => $platform]), self::$people[$key]['advisor']->body);
            $row = explode('|', self::sql("select j.id || '|' || j.plan_id from customer_jobs j join shops s on s.id = j.shop_id where s.name = '{$name}'"));
            self::$has[$key] = ['job' => (int) $row[0], 'plan' => (int) $row[1], 'platform' => $platform, 'part' => (int) self::sql("select p.id from parts p join shops s on s.id = p.shop_id where s.name = '{$name}' order by p.id limit 1")];
        }
        self::assertSame('shops', self::sql('select installation()'));
    }

    /** The link of an invitation, as its shop's owner reads it where a stand-in takes the mail. */
    private static function invited(string $shop, string $email): string
    {
        for ($try = 0; $try < 100; $try++) {
            self::$people[$shop]['owner']->get('/caught-mail');
            if (preg_match('#to '.preg_quote($email, '#').'.*?(/password/[\w-]{43})#s', self::$people[$shop]['owner']->body, $found) === 1) {
                return $found[1];
            }
            usleep(200_000);
        }
        self::fail("no mail to {$email} came");
    }

    #[Depends('test_two_shops_with_all_their_roles')]
    public function test_the_web_is_its_own_role_and_knows_no_others_password(): void
    {
        $owner = self::$people['saltmarsh']['owner'];
        self::assertSame(200, $owner->send('GET', '/health', more: ['Accept' => 'text/html']));
        self::assertStringContainsString('role pebblerun_web, 25s at most a statement', $owner->body);
        $roles = self::sql("select string_agg(distinct usename, ',' order by usename) from pg_stat_activity where datname = 'pebblerun' and usename like 'pebblerun%'");
        self::assertSame('pebblerun_web,pebblerun_work', $roles);
        $keys = file_get_contents(self::$place.'/keys.env') ?: '';
        preg_match_all('/^\w+=(\S{16,})$/m', $keys, $found);
        self::assertGreaterThanOrEqual(5, count($found[1]));
        $cached = (string) file_get_contents(self::$place.'/cache/config.php');
        $web = (new Process(['pgrep', '-f', 'php-fpm: pool pebblerun-'.trim((new Process(['bash', '-c', 'printf %s "$0" | cksum | cut -d" " -f1', self::$place]))->mustRun()->getOutput())]))->mustRun()->getOutput();
        $known = $cached;
        foreach (array_filter(explode("\n", $web)) as $pid) {
            $known .= (string) file_get_contents("/proc/{$pid}/environ");
        }
        $known .= (string) file_get_contents('/proc/'.trim((string) file_get_contents(self::$place.'/web/estimator.pid')).'/environ');
        foreach ($found[1] as $secret) {
            self::assertStringNotContainsString($secret, $known);
        }
        if (posix_geteuid() === 0) {
            // What the web's user may not read: work's folder and its processes.
            $worker = trim((string) file_get_contents(self::$place.'/web/worker.pid'));
            foreach (["/proc/{$worker}/environ", self::$place.'/keys.env', self::$place.'/settings.env', self::$place.'/work/logs', self::$place.'/work/backups'] as $closed) {
                self::assertNotSame(0, (new Process(['setpriv', '--reuid=pebblerun', '--regid=pebblerun', '--init-groups', 'ls', '-l', $closed]))->run() + (new Process(['setpriv', '--reuid=pebblerun', '--regid=pebblerun', '--init-groups', 'cat', $closed]))->run(), $closed);
            }
        }
    }

    #[Depends('test_two_shops_with_all_their_roles')]
    public function test_sql_in_the_webs_role_reaches_no_other_shop(): void
    {
        $web = new PDO('pgsql:host=127.0.0.1;port='.self::$environment['PEBBLERUN_DB_PORT'].';dbname=pebblerun', 'pebblerun_web', self::settings()['DB_PASSWORD'], [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
        $own = (int) self::sql("select id from shops where name = 'Heron Works'");
        $other = (int) self::sql("select id from shops where name = 'Dunlin Works'");
        $me = (int) self::sql("select id from users where email = 'advisor@saltmarsh.test'");
        $them = (int) self::sql("select id from users where email = 'owner@dunlin.test' or email = 'ada@dunlin.test'");
        $key = hash_hmac('sha256', 'pebblerun names a shop', self::settings()['APP_KEY']);
        $name = "{$own}.{$me}.".substr(hash('sha256', "{$key}{$own}.{$me}{$key}"), 0, 32);
        $say = fn (string $said) => $web->prepare("select set_config('pebblerun.named', ?, false)")->execute([$said]);
        $count = fn (string $table): int => (int) ($web->query("select count(*) from {$table}") ?: self::fail())->fetchColumn();
        $say($name);
        self::assertSame(1, $count('customer_jobs'));
        // Another shop cannot be named without the key.
        foreach (["{$other}.{$them}.".substr($name, -32), "{$other}.{$me}.".str_repeat('0', 32), (string) $other, "{$other}..", 'x', '1.2.3.4'] as $forged) {
            $say($forged);
            self::assertSame(0, $count('customer_jobs'), $forged);
            self::assertSame(0, $count('audit_entries'), $forged);
        }
        $say($name);
        ['job' => $job, 'plan' => $plan, 'platform' => $platform, 'part' => $part] = self::$has['dunlin'];
        ['job' => $ownJob, 'plan' => $ownPlan, 'platform' => $ownPlatform, 'part' => $ownPart] = self::$has['saltmarsh'];
        $ids = fn (int $job, int $plan): array => array_map(intval(...), explode('|', self::sql("select car_id || '|' || library_version_id from customer_jobs j, plans p where j.id = {$job} and p.id = {$plan}")));
        [$car, $version] = $ids($job, $plan);
        [$ownCar, $ownVersion] = $ids($ownJob, $ownPlan);
        // With what is its own each is done: the others below are refused for whose they are.
        foreach (["update customer_jobs set car_id = {$ownCar}, plan_id = {$ownPlan}, advisor_id = {$me}", "update plans set customer_job_id = {$ownJob}, library_version_id = {$ownVersion}", "update cars set platform_id = {$ownPlatform}", "insert into prices (part_id, money, created_at) values ({$ownPart}, '{\"new\": 1}', now())"] as $allowed) {
            $web->beginTransaction();
            self::assertSame(1, $web->exec($allowed), $allowed);
            $web->rollBack();
        }
        $thefts = [
            "insert into memberships (shop_id, user_id, role, accepted_at) values ({$other}, {$me}, 'owner', now())",
            "update memberships set shop_id = {$other} where user_id = {$me}",
            "insert into audit_entries (shop_id, user_id, event, who, details) values ({$other}, {$them}, 'signed-in', 'Ada Fenn', '{}')",
            "insert into audit_entries (shop_id, user_id, event, who, details) values ({$own}, {$them}, 'signed-in', 'Ada Fenn', '{}')",
            "insert into audit_entries (shop_id, user_id, event, who, details) values ({$own}, {$me}, 'signed-in', 'Somebody else', '{}')",
            "insert into audit_entries (shop_id, user_id, event, who, details, happened_at) values ({$own}, {$me}, 'signed-in', 'Advisor Rask', '{}', now() - interval '1 day')",
            "insert into sessions (id, user_id, payload, last_activity, began_at) values ('".str_repeat('a', 64)."', {$them}, '', 2000000000, 2000000000)",
            "update customer_jobs set car_id = {$car}",
            "update customer_jobs set plan_id = {$plan}", "update customer_jobs set advisor_id = {$them}", "update customer_jobs set shop_id = {$other}",
            "update plans set customer_job_id = {$job}", "update plans set library_version_id = {$version}",
            "update cars set platform_id = {$platform}",
            "insert into fitments (part_id, platform_id, place, document) values ({$ownPart}, {$platform}, 1, '{}')", "insert into fitments (part_id, platform_id, place, document) values ({$part}, {$ownPlatform}, 1, '{}')",
            "insert into prices (part_id, money, created_at) values ({$part}, '{\"new\": 1}', now())",
            "insert into person_links (user_id, shop_id, purpose, hash, ends_at) values ({$them}, {$own}, 'password', 'x', now() + interval '1 day')",
            "insert into person_links (user_id, shop_id, purpose, hash, ends_at) values ({$me}, {$own}, 'sign-in', 'y', now() + interval '1 day')",
            "insert into shops (name, units, document) values ('Mine', '{}', '{}')",
            "insert into caught_mails (shop_id, recipients, subject, body) values ({$own}, 'a', 'b', 'c')",
            'select * from pebblerun_private.naming', 'delete from audit_entries', "update audit_entries set who = 'x'", 'set role pebblerun_work', 'set session authorization pebblerun_owner', 'alter table plans disable row level security',
        ];
        foreach ($thefts as $theft) {
            $web->beginTransaction();
            try {
                $done = $web->exec($theft);
                self::assertSame(0, $done, "it was done: {$theft}");
            } catch (PDOException $fault) {
                self::assertSame('42501', $fault->getCode(), "{$theft}: {$fault->getMessage()}");
            } finally {
                $web->rollBack();
            }
        }
        foreach (["update plans set document = '{}' where id = {$plan}", "delete from customer_jobs where id = {$job}", "update users set password = 'x' where id = {$them}", "update shops set name = 'x' where id = {$other}", "delete from memberships where user_id = {$them}"] as $none) {
            self::assertSame(0, $web->exec($none), $none);
        }
        self::assertSame('2', self::sql('select count(*) from customer_jobs'));
        self::assertSame($ownPlan, (int) self::sql("select plan_id from customer_jobs where id = {$ownJob}"));
    }

    /** @return string so many keys of one object that fall into one place of PHP's table */
    private static function colliding(int $bytes): string
    {
        $keys = [];
        $length = 20;
        for ($n = 0; strlen(implode(',', array_slice($keys, 0, 1))) * count($keys) < $bytes; $n++) {
            // "Ez" and "FY" have one hash: every word of such pairs has.
            $keys[] = '"'.strtr(str_pad(decbin($n), $length, '0', STR_PAD_LEFT), ['0' => 'Ez', '1' => 'FY']).'":0';
        }

        return '{'.implode(',', $keys).'}';
    }

    #[Depends('test_two_shops_with_all_their_roles')]
    public function test_no_body_of_a_stranger_or_an_advisor_stops_the_others(): void
    {
        $heavy = self::colliding(2_100_000);
        $hidden = '{"a": "[","b":'.substr($heavy, 0, 60_000).'"}';
        $clients = [];
        foreach (['/jobs/bundles?customer=a&title=b', '/library/documents', '/suppliers/1/price-lists?name=a', '/jobs/bundles', '/sign-in', '/library/1'] as $path) {
            file_put_contents($file = self::$place.'/body-'.md5($path), $path === '/sign-in' ? $hidden : $heavy);
            foreach (['application/json', 'application/octet-stream'] as $type) {
                $clients[] = $client = new Process(['curl', '-s', '-o', '/dev/null', '-w', '%{http_code} %{time_total}', '--interface', '127.0.0.3', '-H', "Content-Type: {$type}", '--data-binary', "@{$file}", 'http://127.0.0.1:'.self::port().$path]);
                $client->start();
            }
        }
        $owner = self::$people['dunlin']['owner'];
        $longest = 0.0;
        for ($n = 0; $n < 20; $n++) {
            self::assertSame(200, $owner->get('/me'));
            $longest = max($longest, $owner->took);
        }
        self::assertLessThan(3.0, $longest);
        foreach ($clients as $client) {
            $client->wait();
            [$status, $took] = explode(' ', $client->getOutput());
            self::assertContains($status, ['401', '413', '415', '422'], $client->getOutput());
            self::assertLessThan(3.0, (float) $took);
        }

        $advisor = self::$people['saltmarsh']['advisor'];
        self::assertSame(202, $advisor->send('POST', '/jobs/bundles?customer=a&title=b', self::colliding(5_600_000), 'application/octet-stream'), $advisor->body.file_get_contents(self::$place.'/log/nginx.log'));
        $task = $advisor->answer()['id'];
        for ($n = 0; $n < 20; $n++) {
            self::assertSame(200, $owner->get('/me'));
            self::assertLessThan(3.0, $owner->took);
        }
        for ($n = 0; $n < 300 && $advisor->get("/tasks/{$task}") === 200 && in_array($advisor->answer()['state'], ['waiting', 'running'], true); $n++) {
            usleep(100_000);
        }
        self::assertSame('failed', $advisor->answer()['state']);
        self::assertStringContainsString('more than 400 entries', $advisor->answer()['reason']);
    }

    #[Depends('test_two_shops_with_all_their_roles')]
    public function test_nobody_of_one_shop_reaches_anything_of_another(): void
    {
        ['job' => $job, 'plan' => $plan, 'platform' => $platform, 'part' => $part] = self::$has['dunlin'];
        $asked = 0;
        foreach (self::$people['saltmarsh'] as $role => $person) {
            foreach (["/jobs/{$job}/brief", "/jobs/{$job}/bench", "/plans/{$plan}", "/plans/{$plan}/bundle", "/plans/{$plan}/revisions", "/library/{$platform}", "/library/{$platform}/files/parts.json", "/parts/{$part}", "/parts/{$part}/prices"] as $path) {
                self::assertSame(404, $person->get($path), "{$role} {$path}");
                $asked++;
            }
            foreach (["/plans/{$plan}/edits", "/jobs/{$job}/brief/edits", "/jobs/{$job}/plans", "/library/{$platform}/parts", "/parts/{$part}/prices"] as $path) {
                self::assertContains($person->json('POST', $path, ['request' => str_repeat('a', 16), 'queue' => str_repeat('a', 16), 'seen' => 0]), [403, 404], "{$role} {$path}");
                $asked++;
            }
            $person->get('/search?q=customer');
            self::assertStringNotContainsString('Dunlin', $person->body);
        }
        self::assertGreaterThan(50, $asked);
        $owner = self::$people['saltmarsh']['owner'];
        $owner->send('GET', '/caught-mail', more: ['Accept' => 'text/html']);
        self::assertStringContainsString('advisor@saltmarsh.test', $owner->body);
        self::assertStringNotContainsString('dunlin', strtolower($owner->body));
        self::assertSame(403, self::$people['saltmarsh']['advisor']->get('/caught-mail'));
        $lies = self::sql("select count(*) from caught_mails where body like '%/password/%'");
        self::assertSame('0', $lies, 'no link lies in the open');
    }

    /** Asked into a second shop: until they accept, that shop learns nothing of them, and what it does to them ends nothing of the first. */
    #[Depends('test_two_shops_with_all_their_roles')]
    public function test_who_is_asked_into_a_second_shop_decides_themself_and_stays_in_the_first(): void
    {
        $owner = self::$people['saltmarsh']['owner'];
        $tuner = self::$people['dunlin']['tuner'];
        self::assertSame(201, $owner->json('POST', '/people', ['name' => 'Whoever', 'email' => 'tuner@dunlin.test', 'role' => 'advisor']));
        $row = array_column($owner->answer(), null, 'email')['tuner@dunlin.test'];
        self::assertSame(['Whoever', 'invited', null, false], [$row['name'], $row['state'], $row['signed_in_at'], $row['second_factor']]);
        self::assertSame(200, $tuner->send('GET', '/account', more: ['X-Inertia' => 'true', 'X-Requested-With' => 'XMLHttpRequest', 'X-Inertia-Version' => self::version($tuner)]), $tuner->body);
        $asking = $tuner->answer()['props']['invitations'];
        self::assertSame(['Heron Works', 'advisor'], [$asking[0]['name'], $asking[0]['role']]);
        self::assertSame(404, self::$people['dunlin']['advisor']->json('PUT', "/account/invitations/{$asking[0]['id']}"));
        self::assertSame(200, $tuner->json('PUT', "/account/invitations/{$asking[0]['id']}"), $tuner->body);
        self::assertSame(200, $owner->json('POST', "/people/{$row['id']}/deactivation"));
        self::assertSame(200, $tuner->get('/me'), 'and goes on in the first');
        self::assertSame('tuner', $tuner->answer()['role']);
        $again = self::caller(40);
        self::assertSame(302, $again->signIn('tuner@dunlin.test', sprintf(self::WORDS, 'tuner')));
    }

    private static function version(Caller $caller): string
    {
        $caller->send('GET', '/', more: ['Accept' => 'text/html']);
        preg_match('/(?:&quot;|")version(?:&quot;|"):(?:&quot;|")([0-9a-f]+)/', $caller->body, $found);

        return $found[1] ?? '';
    }

    #[Depends('test_two_shops_with_all_their_roles')]
    public function test_wrong_passwords_from_elsewhere_hold_nobody_up_at_their_own_place(): void
    {
        $home = self::caller(50);
        $words = sprintf(self::WORDS, 'technician');
        self::assertSame(302, $home->signIn('technician@dunlin.test', $words));
        for ($n = 0; $n < 70; $n++) {
            self::assertContains(self::caller(60 + intdiv($n, 5))->signIn('technician@dunlin.test', "wrong {$n}"), [302, 422]);
        }
        self::assertSame(302, self::caller(50)->signIn('technician@dunlin.test', $words), 'at home');
        // From a new place the right password alone is not enough any more: a link goes to their own address.
        $away = self::caller(90);
        self::assertSame(302, $away->signIn('technician@dunlin.test', $words));
        self::assertStringStartsWith('/sign-in/code', $away->headers['location'] ?? '');
        self::assertSame(401, $away->get('/me'));
        for ($try = 0; $try < 100; $try++) {
            self::$people['dunlin']['owner']->get('/caught-mail');
            if (preg_match('#(/sign-in/link/[\w-]{43})#', self::$people['dunlin']['owner']->body, $found) === 1) {
                break;
            }
            usleep(200_000);
        }
        self::assertNotEmpty($found[1] ?? '');
        self::assertSame(200, $away->get($found[1] ?? ''));
        self::assertSame(401, $away->get('/me'), 'whoever only looks at it is not signed in');
        self::assertSame(302, $away->form($found[1] ?? '', []));
        self::assertSame(200, $away->get('/me'));
        self::assertSame(410, self::caller(91)->form($found[1] ?? '', []), 'once');
    }

    #[Depends('test_two_shops_with_all_their_roles')]
    public function test_connections_that_say_nothing_leave_room_for_others(): void
    {
        $open = [];
        for ($n = 0; $n < 600; $n++) {
            $line = @stream_socket_client('tcp://127.0.0.1:'.self::port(), $code, $fault, 2.0, STREAM_CLIENT_CONNECT, stream_context_create(['socket' => ['bindto' => '127.0.0.99:0']]));
            if ($line !== false) {
                @fwrite($line, "POST /sign-in HTTP/1.1\r\nHost: 127.0.0.1\r\n");
                $open[] = $line;
            }
        }
        $other = self::$people['dunlin']['owner'];
        self::assertSame(200, $other->get('/me'));
        self::assertLessThan(3.0, $other->took);
        sleep(11);
        self::assertSame(200, self::caller(99)->get('/sign-in'), 'headers have ten seconds');
        unset($open);
    }

    #[Depends('test_two_shops_with_all_their_roles')]
    public function test_no_query_and_no_body_makes_it_fail_and_no_log_grows_without_end(): void
    {
        $before = self::logged();
        $random = new Randomizer(new Mt19937(self::long() ? random_int(1, 1_000_000) : 7));
        $fuzz = new Fuzz($random, self::$has['saltmarsh'], self::sql('select id from suppliers limit 1') ?: '1');
        $seen = [];
        foreach (['queries' => self::times(3_500, 250), 'bodies' => self::times(12_000, 500)] as $kind => $times) {
            for ($n = 0; $n < $times; $n++) {
                $person = $n % 4 === 0 ? self::caller(100 + $n % 100) : self::$people['saltmarsh'][['owner', 'advisor', 'tuner'][$n % 3]];
                [$method, $path, $body, $type] = $kind === 'queries' ? $fuzz->query() : $fuzz->body();
                $status = $person->send($method, $path, $body, $type);
                self::assertTrue($status > 0 && $status < 500, "{$status}: {$method} {$path} ".substr($body, 0, 1500).' '.$person->body);
                $seen[$status] = ($seen[$status] ?? 0) + 1;
            }
        }
        self::assertArrayHasKey(422, $seen);
        self::assertArrayHasKey(200, $seen);
        $stranger = self::caller(201);
        for ($n = 0; $n < 100; $n++) {
            self::assertSame(400, $stranger->get('/sign-in?next[]=a'));
        }
        self::assertLessThan(200_000, self::logged() - $before, 'bytes of logs');
        foreach ([...(glob(self::$place.'/log/*.log*') ?: []), ...(glob(self::$place.'/storage/logs/*') ?: []), ...(glob(self::$place.'/work/logs/*') ?: [])] as $log) {
            self::assertSame(0, fileperms($log) & 0o077, "{$log} is for its owner alone");
        }
    }

    private static function logged(): int
    {
        $lines = explode("\n", trim((new Process(['du', '-cb', self::$place.'/log', self::$place.'/storage/logs', self::$place.'/work/logs']))->mustRun()->getOutput()));

        return (int) end($lines);
    }

    /** What was said to be saved is there once, whatever was killed: edits of a plan, prices and records with names of their own. */
    #[Depends('test_two_shops_with_all_their_roles')]
    public function test_what_was_said_to_be_saved_is_there_once_after_kills(): void
    {
        $advisor = self::$people['saltmarsh']['advisor'];
        ['job' => $job, 'plan' => $plan, 'platform' => $platform, 'part' => $part] = self::$has['saltmarsh'];
        $seen = (int) self::sql("select version from customer_jobs where id = {$job}");
        $advisor->get("/library/{$platform}/outcomes");
        $limit = $advisor->answer()[0]['id'] ?? self::fail($advisor->body);
        $kills = self::process(['tests/Ground/kills.sh', self::$place, (string) self::times(22, 3)]);
        $kills->setTimeout(900);
        $kills->start();
        $confirmed = ['edits' => [], 'prices' => [], 'outcomes' => []];
        for ($n = 0; $kills->isRunning() || $n < self::times(1_050, 90); $n++) {
            $kind = ['edits', 'edits', 'prices', 'outcomes'][$n % 4];
            $request = bin2hex(random_bytes(8));
            $send = match ($kind) {
                'edits' => ['POST', "/plans/{$plan}/edits", ['request' => $request, 'queue' => str_repeat('b', 16), 'seen' => $seen, 'show' => 'nothing', 'commands' => [['do' => 'rename-plan', 'name' => "n {$n}"]]]],
                'prices' => ['POST', "/parts/{$part}/prices", ['request' => $request, 'likely' => 1 + $n / 100, 'as_of' => gmdate('Y-m-d', time() - 86_400), 'source' => $request]],
                default => ['POST', "/library/{$platform}/outcomes", ['request' => $request, 'limit' => $limit, 'load' => 100 + $n, 'broke' => false, 'months' => 3, 'on' => '2026-10-01', 'how' => $request]],
            };
            for ($status = 0, $try = 0; ! in_array($status, [200, 201], true) && $try < 900; $try++) {
                $status = $advisor->json(...$send);
                in_array($status, [200, 201], true) || usleep(100_000);
                self::assertNotContains($status, [409, 422, 403], "{$kind} {$n}: {$advisor->body}");
                if ($status === 401) {
                    self::fail('signed out by a kill');
                }
            }
            self::assertContains($status, [200, 201], "{$kind} {$n} was never confirmed: {$kills->getErrorOutput()}");
            $confirmed[$kind][] = $request;
        }
        self::assertSame(0, $kills->wait(), $kills->getErrorOutput());
        self::shell(['bin/start']);
        $kept = [
            'edits' => array_filter(explode("\n", self::sql("select request from plan_revisions where plan_id = {$plan} and request is not null"))),
            'prices' => array_filter(explode("\n", self::sql("select source from prices where part_id = {$part} and source <> ''"))),
            'outcomes' => array_filter(explode("\n", self::sql("select how from limit_outcomes where limit_id = {$limit} and how <> ''"))),
        ];
        foreach ($confirmed as $kind => $names) {
            self::assertSame([], array_values(array_diff($names, $kept[$kind])), "{$kind}: confirmed and missing");
            self::assertSame([], array_keys(array_filter(array_count_values($kept[$kind]), fn (int $times): bool => $times > 1)), "{$kind}: twice");
        }
        fwrite(STDERR, sprintf("\n  %d writes confirmed under %s kills\n", array_sum(array_map(count(...), $confirmed)), trim($kills->getOutput())));
    }

    #[Depends('test_two_shops_with_all_their_roles')]
    public function test_a_backups_content_is_data_and_one_that_nobody_signed_is_refused(): void
    {
        self::shell(['-c', '. bin/lib/ground.sh; QUIET=1; choose_run; settings; make_storage; artisan pebblerun:backup']);
        [$file] = glob(self::$place.'/work/backups/*.tar') ?: [self::fail('none was written')];
        $evil = self::$place.'/evil';
        (new Process(['rm', '-rf', $evil]))->mustRun();
        mkdir($evil);
        $mark = "{$evil}/ran";
        $other = ['PEBBLERUN_RUN' => self::$place, 'DB_DATABASE' => 'pebblerun_other'];
        $restore = function (string $backup, array $words = []) use ($other): array {
            $process = self::process(array_values(['bin/restore', $backup, '--replace', '--yes', ...$words]), $other);
            $process->run();

            return [$process->getExitCode(), $process->getOutput().$process->getErrorOutput()];
        };
        (new Process(['tar', '-xf', $file, '-C', $evil]))->mustRun();
        foreach (["APP_KEY=x|e touch {$mark}", "APP_KEY=\$(touch {$mark})", 'APP_KEY=base64:'.base64_encode(random_bytes(32))."\nDB_HOST=`touch {$mark}`"] as $n => $key) {
            file_put_contents("{$evil}/settings.env", "{$key}\n");
            $manifest = json_decode((string) file_get_contents("{$evil}/manifest.json"), true);
            $manifest['sha256']['settings.env'] = hash_file('sha256', "{$evil}/settings.env");
            file_put_contents("{$evil}/manifest.json", (string) json_encode($manifest));
            (new Process(['tar', '-cf', "{$evil}/{$n}.tar", '-C', $evil, 'manifest.json', 'database.dump', 'files.tar', 'settings.env']))->mustRun();
            [$code, $said] = $restore("{$evil}/{$n}.tar");
            self::assertSame(1, $code);
            self::assertStringContainsString('this installation did not sign it', $said);
            [$code, $said] = $restore("{$evil}/{$n}.tar", ['--unsigned']);
            self::assertSame(1, $code, $said);
            self::assertStringContainsString('the application\'s key in it is none', $said);
        }
        self::assertFileDoesNotExist($mark);
        [$code, $said] = $restore($file);
        self::assertSame(0, $code, $said);
        self::assertSame('2', trim(self::shell(['-c', '. bin/lib/ground.sh; QUIET=1; choose_run; settings; run_sql -d pebblerun_other -c "select count(*) from shops"'])));
        [$code, $said] = $restore('/dev/zero');
        self::assertSame(1, $code);
        self::assertStringContainsString('there is no readable file', $said);
    }

    #[Depends('test_two_shops_with_all_their_roles')]
    public function test_devices_and_pipes_given_as_files_are_refused_at_once(): void
    {
        $pipe = self::$place.'/pipe';
        (new Process(['mkfifo', $pipe]))->mustRun();
        foreach (['/dev/zero', '/dev/stdin', $pipe, self::$place] as $none) {
            foreach ([['estimate', $none], ['import', $none], ['import', $none, $none]] as $words) {
                $process = self::process(['-c', 'bin/pebblerun "$@" < /dev/zero', 'pebblerun', ...$words]);
                $process->setTimeout(20);
                self::assertSame(2, $process->run(), implode(' ', $words).$process->getOutput());
            }
        }
        foreach (['zip', 'json', 'csv'] as $kind) {
            symlink('/dev/zero', $link = self::$place."/endless.{$kind}");
            $process = self::process(['-c', 'bin/pebblerun "$@"', 'pebblerun', 'import', $link, 'Skerry']);
            $process->setTimeout(20);
            self::assertSame(2, $process->run(), $process->getErrorOutput());
        }
    }

    #[Depends('test_two_shops_with_all_their_roles')]
    public function test_an_outage_is_a_page_that_stays_and_comes_back_by_itself(): void
    {
        $owner = self::$people['dunlin']['owner'];
        $html = ['Accept' => 'text/html'];
        self::shell(['bin/lib/database.sh', 'stop']);
        foreach (['GET', 'POST'] as $method) {
            $status = $method === 'GET' ? $owner->send('GET', '/', more: $html) : $owner->send('POST', '/sign-in', 'email=a&password=b', 'application/x-www-form-urlencoded', $html);
            self::assertSame(503, $status, $owner->body);
            self::assertStringContainsString('The shop’s database does not answer', $owner->body);
            self::assertSame($method === 'GET' ? '5' : '5; url=/', $owner->headers['refresh'] ?? '');
            self::assertSame('5', $owner->headers['retry-after'] ?? '');
        }
        self::assertSame(503, $owner->get('/me'));
        self::assertStringContainsString('Nothing was changed', $owner->answer()['message']);
        self::shell(['bin/lib/database.sh', 'start']);
        self::assertSame(200, $owner->send('GET', '/', more: $html));
        $fpm = (int) file_get_contents(self::$place.'/web/php-fpm.pid');
        posix_kill($fpm, SIGTERM);
        usleep(500_000);
        self::assertSame(503, $owner->send('GET', '/', more: $html));
        self::assertStringStartsWith('5', implode(',', array_intersect_key($owner->headers, ['refresh' => 1])));
        self::shell(['bin/start']);
        self::assertSame(200, $owner->send('GET', '/', more: $html));
    }

    /** Disks of a few pages, filled: what is sent can be sent again, and what needs no disk is answered. */
    #[Depends('test_two_shops_with_all_their_roles')]
    public function test_a_full_disk_is_a_pause(): void
    {
        $advisor = self::$people['saltmarsh']['advisor'];
        $full = [self::$place.'/web/tmp/body', self::$place.'/storage/tmp', self::$place.'/storage/logs'];
        $mount = fn (string $folder): int => (new Process(['bash', '-c', 'mount -t tmpfs -o size=16k,mode=777 tmpfs "$0" && dd if=/dev/zero of="$0/x" bs=1k count=64 2> /dev/null; mountpoint -q "$0"', $folder]))->run();
        if (array_sum(array_map($mount, $full)) !== 0) {
            self::clearMounts($full);
            self::markTestSkipped('nothing can be mounted here');
        }
        try {
            self::assertSame(503, $advisor->send('POST', '/jobs/bundles?customer=a&title=b', str_repeat('a', 900_000), 'application/octet-stream'), $advisor->body);
            self::assertSame('5', $advisor->headers['retry-after']);
            $form = "--x\r\nContent-Disposition: form-data; name=\"platform\"; filename=\"a.json\"\r\n\r\n".str_repeat('a', 40_000)."\r\n--x--\r\n";
            self::assertSame(503, $advisor->send('POST', '/library/documents', $form, 'multipart/form-data; boundary=x'), $advisor->body);
            self::assertSame(200, $advisor->get('/me'));
            self::assertSame(400, $advisor->get('/sign-in?next[]=a'));
        } finally {
            self::clearMounts($full);
        }
        self::assertSame(202, $advisor->send('POST', '/jobs/bundles?customer=a&title=b', str_repeat('a', 900_000), 'application/octet-stream'), $advisor->body);
    }

    /** @param  list<string>  $folders */
    private static function clearMounts(array $folders): void
    {
        foreach ($folders as $folder) {
            (new Process(['umount', '-l', $folder]))->run();
        }
    }

    #[Depends('test_two_shops_with_all_their_roles')]
    public function test_a_stop_leaves_nothing(): void
    {
        self::shell(['bin/stop']);
        $left = (new Process(['bash', '-c', 'for p in /proc/[0-9]*; do c=$(readlink $p/cwd 2> /dev/null) && [ "$c" = "$0/web" ] && tr "\0" " " < $p/cmdline && echo; done; true', self::$place]))->mustRun()->getOutput();
        self::assertSame('', trim($left));
        self::assertSame([], glob(self::$place.'/web/*.pid') ?: []);
        self::assertSame([], glob(self::$place.'/web/sockets/*') ?: []);
    }
}
