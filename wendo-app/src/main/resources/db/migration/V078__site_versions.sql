-- What people edit counts its changes, so that of two who edit the same thing at once nobody's change is lost.
do $$
declare
    edited text;
begin
    foreach edited in array array['business', 'person', 'membership', 'api_key', 'business_site', 'link_host', 'source',
        'channel_window', 'campaign', 'destination', 'source_clue', 'link', 'link_branch', 'link_filter', 'link_form',
        'link_change', 'link_alert', 'tag_plan', 'batch', 'placement', 'code_mark', 'message', 'recipient_list', 'recipient',
        'sender', 'opt_in', 'subscriber', 'signpost', 'signpost_entry', 'entry_form', 'round', 'round_turn',
        'follow_up_plan', 'follow_up_step', 'handover', 'clip', 'outgoing', 'lead', 'lead_task', 'import_layout',
        'import_file', 'outbound_pattern', 'partner_network', 'credit_rule', 'target', 'shared_report', 'put_off', 'spend',
        'spend_file', 'spend_layout', 'spend_name', 'cross_check', 'proof', 'outcome', 'outcome_review']
    loop
        execute format('alter table %I add column version int not null default 0', edited);
    end loop;
end $$;
grant update (version) on outcome to ${appRole};

-- Entries of logs and ordered parts are rows of their own.
do $$
declare
    part text;
begin
    foreach part in array array['follow_up_step', 'round_turn', 'handover', 'target', 'spend_correction', 'lead_event',
        'outcome_change', 'postback', 'credit_rule', 'code_mark']
    loop
        execute format('alter table %I add column id uuid not null default gen_random_uuid()', part);
        execute format('create unique index on %I (id)', part);
    end loop;
end $$;
