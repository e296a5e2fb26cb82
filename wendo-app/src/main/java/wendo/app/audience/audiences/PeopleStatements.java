package wendo.app.audience.audiences;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import wendo.app.platform.consent.ConsentPurpose;

/** The SQL that keeps the people of audiences; {@code PeopleIndex} says when which of it runs. */
final class PeopleStatements {
    /** Arrivals that stand beside a person, the newest first. */
    static final int RECENT = 10;

    /** Kinds of outcome as {@code audience_person.did} has them. */
    static final Map<String, Integer> KINDS = Map.of("lead", 1, "booking", 2, "purchase", 4, "subscription", 8);

    /** Ways to reach somebody as {@code audience_person.reach} has them. */
    static final Map<String, Integer> REACH = Map.of(
            ConsentPurpose.EMAIL_NEWS.key(), 1, ConsentPurpose.TEXT_NEWS.key(), 2, ConsentPurpose.ADVERTISING.key(), 4);

    static final String OF_CONTACTS = "kind in ('email', 'phone')";

    /** Everybody with the same number in credit, in the same list's line, or in one person so far is looked at too. */
    static final String WIDEN = """
            insert into audience_due (business_id, contact, is_taken)
            select :business, found.contact, true from (
                select other.contact from audience_due d join audience_contact own on own.contact = d.contact
                join audience_contact other on other.person_id = own.person_id where d.is_taken
                union
                select other.key from audience_due d join identity own on own.key = d.contact and own.%1$s
                join identity other on other.person = own.person and other.%1$s where d.is_taken
                union
                select r.phone from audience_due d join recipient r on r.email = d.contact and r.email <> ''
                where d.is_taken and r.phone <> ''
                union
                select r.email from audience_due d join recipient r on r.phone = d.contact and r.phone <> ''
                where d.is_taken and r.email <> '') found
            on conflict (business_id, contact) do update set is_taken = true where not audience_due.is_taken
            """.formatted(OF_CONTACTS);

    /** In turn, each for all contacts that were taken. */
    static final List<String> STEPS = List.of(
            "update audience_due d set former_person = c.person_id from audience_contact c where c.contact = d.contact and d.is_taken",
            """
            update audience_due d set identity_person = i.person, anchor = i.person::text
            from identity i where i.key = d.contact and i.%s and d.is_taken
            """.formatted(OF_CONTACTS),
            """
            update audience_due d set identity_person = beside.person, anchor = coalesce(beside.person::text, beside.email)
            from (
                select distinct on (r.phone) r.phone, r.email, i.person
                from audience_due w join recipient r on r.phone = w.contact and r.phone <> '' and r.email <> ''
                left join identity i on i.key = r.email and i.kind = 'email'
                where w.is_taken and w.anchor is null order by r.phone, r.email) beside
            where d.contact = beside.phone and d.is_taken
            """,
            """
            update audience_due d set anchor = d.contact where d.is_taken and d.anchor is null and (
                exists (select from audience_listed r where r.contact = d.contact)
                or exists (select from subscriber s where s.email = d.contact and s.proof_id is null))
            """,
            // Somebody stays the same person when what they are known by changes.
            """
            update audience_person p set anchor = next.anchor, identity_person = next.identity_person
            from (
                select distinct on (former_person) anchor, identity_person, former_person from (
                    select distinct on (d.anchor) d.anchor, d.identity_person, d.former_person from audience_due d
                    where d.is_taken and d.anchor is not null and d.former_person is not null
                        and not exists (select from audience_person other where other.anchor = d.anchor)
                    order by d.anchor, d.former_person) one_each
                order by former_person, anchor) next
            where p.id = next.former_person
                and not exists (select from audience_due d where d.is_taken and d.anchor = p.anchor)
            """,
            """
            insert into audience_person (business_id, anchor, identity_person)
            select distinct on (d.anchor) d.business_id, d.anchor, d.identity_person from audience_due d
            where d.is_taken and d.anchor is not null order by d.anchor
            on conflict (business_id, anchor) do nothing
            """,
            """
            insert into audience_contact (business_id, contact, person_id)
            select d.business_id, d.contact, p.id from audience_due d join audience_person p on p.anchor = d.anchor where d.is_taken
            on conflict (business_id, contact) do update set person_id = excluded.person_id
            where audience_contact.person_id <> excluded.person_id
            """,
            """
            delete from audience_contact c using audience_due d
            where c.contact = d.contact and d.is_taken and d.anchor is null
            """,
            """
            delete from audience_person p using audience_due d where p.id = d.former_person and d.is_taken
                and not exists (select from audience_contact c where c.person_id = p.id)
            """);

    private static final String PEOPLE = """
            with people as materialized (
                select distinct p.id, p.identity_person from audience_due d join audience_contact c on c.contact = d.contact
                join audience_person p on p.id = c.person_id where d.is_taken)
            """;

    /** Visits by personal links, and those of visitors who were recognised by an outcome. */
    private static final String CAME = PEOPLE + """
            , came as materialized (
                select people.id, v.click_id, v.link_id, v.arrived_at, v.language, v.country, v.device, true as is_personal
                from people join audience_contact c on c.person_id = people.id
                join audience_listed r on r.contact = c.contact
                cross join lateral (select * from visit where recipient_id = r.id and kind = 'person' offset 0) v
                union all
                select people.id, v.click_id, v.link_id, v.arrived_at, v.language, v.country, v.device, false
                from people join identity i on i.person = people.identity_person and i.kind = 'visitor'
                cross join lateral (select * from visit where visitor = i.key::uuid and kind = 'person' offset 0) v)
            """;

    /** What stands beside a person, so that rules find it without a look at all visits, outcomes and records of consent. */
    private static final String BESIDE = CAME + """
            , last as (
                select distinct on (id) id, language, country, device from came order by id, arrived_at desc, click_id),
            latest as (
                select v.person_id, trim_array(all_of_them, greatest(0, cardinality(all_of_them) - %d)) as recent, tapped_at
                from (
                    select v.person_id, array_agg(v.arrived_at order by v.arrived_at desc) as all_of_them,
                        max(v.arrived_at) filter (where v.is_personal) as tapped_at
                    from people join audience_visit v on v.person_id = people.id group by v.person_id) v),
            done as (
                select people.id, bit_or(case o.kind %s end)
                        filter (where not o.is_proof and o.counts) as did,
                    (array_agg(o.name order by o.occurred_at desc, o.id) filter (where o.name <> ''))[1] as name
                from people join identity i on i.person = people.identity_person join trail t on t.identity_id = i.id
                join outcome o on o.id = t.outcome_id group by people.id),
            agreed as (
                select people.id, bit_or(case r.purpose %s end) as reach
                from people join audience_contact c on c.person_id = people.id
                join consent_record r on r.contact = c.contact and r.withdrawn_at is null
                where not exists (select from opted_out o where o.contact = c.contact)
                    and not exists (select from unreachable u where u.contact = c.contact)
                group by people.id),
            listed as (
                select people.id, (array_agg(r.name order by r.id))[1] as name
                from people join audience_contact c on c.person_id = people.id
                join audience_listed r on r.contact = c.contact
                where r.name <> '' group by people.id),
            beside as (
                select people.id, last.language, last.country, last.device, latest.tapped_at,
                    coalesce(latest.recent, '{}') as recent, coalesce(done.did, 0) as did, coalesce(agreed.reach, 0) as reach,
                    left(coalesce(done.name, listed.name, ''), 200) as name
                from people left join last on last.id = people.id left join latest on latest.person_id = people.id
                left join done on done.id = people.id left join agreed on agreed.id = people.id
                left join listed on listed.id = people.id)
            update audience_person p set language = coalesce(b.language, p.language), country = coalesce(b.country, p.country),
                device = coalesce(b.device, p.device), recent = b.recent, tapped_at = b.tapped_at, did = b.did, reach = b.reach,
                name = b.name
            from beside b
            where p.id = b.id and (p.recent, p.tapped_at, p.did, p.reach, p.name) is distinct from
                (b.recent, b.tapped_at, b.did, b.reach, b.name)
            """.formatted(RECENT, cases(KINDS), cases(REACH));

    /** For all people of a portion at once: a look for each of them reads whole tables again and again. */
    static final List<String> FACTS = List.of(
            PEOPLE + "delete from audience_visit v using people where v.person_id = people.id", CAME + """
            insert into audience_visit (business_id, person_id, link_id, arrived_at, is_personal)
            select :business, id, link_id, arrived_at, bool_or(is_personal) from came group by id, click_id, link_id, arrived_at
            """, BESIDE);

    static final String DUE_ANEW = """
            insert into audience_due (business_id, contact)
            select :business, found.contact from (
                (select key as contact from identity where %s
                    union select contact from audience_listed
                    union select email from subscriber where proof_id is null)
                except select contact from audience_contact) found
            union
            select :business, c.contact from audience_contact c where
                not exists (select from identity i where i.key = c.contact and i.%s)
                and not exists (select from audience_listed r where r.contact = c.contact)
                and not exists (select from subscriber s where s.email = c.contact and s.proof_id is null)
            on conflict do nothing
            """.formatted(OF_CONTACTS, OF_CONTACTS);

    private PeopleStatements() {}

    private static String cases(Map<String, Integer> bits) {
        return bits.entrySet().stream()
                .map(bit -> "when '%s' then %d".formatted(bit.getKey(), bit.getValue()))
                .collect(Collectors.joining(" "));
    }
}
