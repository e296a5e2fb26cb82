package wendo.app.prepare.brands;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface BrandRepository extends Repository<Brand, UUID> {
    List<Brand> findByRemovedAtIsNullOrderByNameAscIdAsc();

    Optional<Brand> findByIdAndRemovedAtIsNull(UUID id);

    Brand saveAndFlush(Brand brand);
}
