-- Roles and rights of one database; run by the cluster's own role, again at every start.
set client_min_messages = warning;
select format('create role %I login', name) from unnest(array['pebblerun_owner', 'pebblerun_web', 'pebblerun_work', 'pebblerun_backup']) as name where not exists (select 1 from pg_roles where rolname = name) \gexec
alter role pebblerun_owner with login nosuperuser nocreatedb nocreaterole noreplication nobypassrls password :'owner_password';
alter role pebblerun_web with login nosuperuser nocreatedb nocreaterole noreplication nobypassrls password :'web_password';
alter role pebblerun_work with login nosuperuser nocreatedb nocreaterole noreplication nobypassrls password :'work_password';
alter role pebblerun_work set lock_timeout = '60s';
alter role pebblerun_work set idle_in_transaction_session_timeout = '10min';
-- Reads every row of every shop for a backup, and writes none.
alter role pebblerun_backup with login nosuperuser nocreatedb nocreaterole noreplication bypassrls password :'backup_password';
grant pg_read_all_data to pebblerun_backup;
-- A request that waits or works longer than anybody waits for an answer ends, and holds nothing up.
alter role pebblerun_web set statement_timeout = '25s';
alter role pebblerun_web set lock_timeout = '10s';
alter role pebblerun_web set idle_in_transaction_session_timeout = '30s';
alter role pebblerun_owner set lock_timeout = '60s';
-- Statements take milliseconds: compiling one takes longer than it saves.
alter role pebblerun_web set jit = off;
alter role pebblerun_work set jit = off;
alter role pebblerun_owner set jit = off;

alter database :"database" owner to pebblerun_owner;
revoke all on database :"database" from public;
grant connect on database :"database" to pebblerun_web, pebblerun_work, pebblerun_backup;
grant connect, create, temporary on database :"database" to pebblerun_owner;
alter schema public owner to pebblerun_owner;
revoke create on schema public from public;
grant usage on schema public to pebblerun_web, pebblerun_work;

-- What an earlier version's only role made.
select format('alter table %I.%I owner to pebblerun_owner', schemaname, tablename) from pg_tables where schemaname = 'public' and tableowner <> 'pebblerun_owner' \gexec
select format('alter sequence %I.%I owner to pebblerun_owner', schemaname, sequencename) from pg_sequences where schemaname = 'public' and sequenceowner <> 'pebblerun_owner' \gexec
select format('alter function %s owner to pebblerun_owner', p.oid::regprocedure) from pg_proc p join pg_roles r on r.oid = p.proowner
    where p.pronamespace = 'public'::regnamespace and r.rolname <> 'pebblerun_owner' and not exists (select 1 from pg_depend d where d.objid = p.oid and d.deptype = 'e') \gexec

set role pebblerun_owner;
grant select, insert, update, delete on all tables in schema public to pebblerun_web, pebblerun_work;
grant usage, select on all sequences in schema public to pebblerun_web, pebblerun_work;
alter default privileges in schema public grant select, insert, update, delete on tables to pebblerun_web, pebblerun_work;
alter default privileges in schema public grant usage, select on sequences to pebblerun_web, pebblerun_work;
select format('revoke update, delete on %I from pebblerun_web, pebblerun_work', tablename) from pg_tables where schemaname = 'public' and tablename in ('audit_entries') \gexec
select format('revoke insert, update, delete on %I from pebblerun_web, pebblerun_work', tablename) from pg_tables where schemaname = 'public' and tablename in ('migrations') \gexec
-- What names of shops are signed with: the application knows it, and the functions that look at a name.
set client_min_messages = warning;
create schema if not exists pebblerun_private;
create table if not exists pebblerun_private.naming (key text not null);
revoke all on schema pebblerun_private from public;
begin;
delete from pebblerun_private.naming;
insert into pebblerun_private.naming values (:'naming_key');
commit;
