package wendo.app.issue.links;

import java.util.List;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface LinkBranchRepository extends Repository<LinkBranch, UUID> {
    List<LinkBranch> findByLinkIdOrderByPlace(UUID link);

    List<LinkBranch> findByDestinationId(UUID destination);

    void save(LinkBranch branch);

    void delete(LinkBranch branch);
}
