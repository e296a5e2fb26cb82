package wendo.app.place.subscribers;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface ListMemberRepository extends Repository<ListMember, UUID> {
    Optional<ListMember> findByListIdAndSubscriberId(UUID list, UUID subscriber);

    @Query("select m from ListMember m where m.subscriberId = :subscriber and m.leftAt is null")
    List<ListMember> findOn(UUID subscriber);

    ListMember saveAndFlush(ListMember member);
}
