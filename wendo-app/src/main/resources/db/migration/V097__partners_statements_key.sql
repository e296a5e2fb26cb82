-- Each line that is put on a statement looks the statement up. By its identifier alone the server always finds it by that;
-- with the business beside it, it read all of the business's statements for each line while the table was new to it.
alter table commission_line drop constraint commission_line_business_id_statement_id_fkey;
alter table commission_line add foreign key (statement_id) references partner_statement (id);
create index on commission_line (statement_id) where statement_id is not null;

-- What commission is worked out of and into has grown in one go too, where credit has.
create or replace function analyze_credit_tables() returns void
    language plpgsql security definer set search_path = public, pg_temp
    as $$
    begin
        execute 'analyze visit, site_arrival, landing, outcome, outcome_clue, trail, identity, partner_outcome, commission_line';
    end $$;

-- What was for delivery can be told later too.
grant update (delivery_minor) on outcome to ${appRole};
