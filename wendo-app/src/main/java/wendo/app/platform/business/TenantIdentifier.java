package wendo.app.platform.business;

import java.util.Map;
import java.util.UUID;
import org.hibernate.cfg.AvailableSettings;
import org.hibernate.context.spi.CurrentTenantIdentifierResolver;
import org.springframework.boot.hibernate.autoconfigure.HibernatePropertiesCustomizer;
import org.springframework.stereotype.Component;

/**
 * Tells Hibernate the business in scope, which fills and filters {@code business_id}: a second lock on the door that
 * row-level security keeps. Without a business in scope Hibernate filters nothing, and the database shows nothing.
 */
@Component
class TenantIdentifier implements CurrentTenantIdentifierResolver<UUID>, HibernatePropertiesCustomizer {
    private static final UUID NOBODY = new UUID(0, 0);

    @Override
    public UUID resolveCurrentTenantIdentifier() {
        return BusinessScope.find().map(BusinessId::value).orElse(NOBODY);
    }

    @Override
    public boolean validateExistingCurrentSessions() {
        return false;
    }

    @Override
    public boolean isRoot(UUID tenant) {
        return NOBODY.equals(tenant);
    }

    @Override
    public void customize(Map<String, Object> hibernateProperties) {
        hibernateProperties.put(AvailableSettings.MULTI_TENANT_IDENTIFIER_RESOLVER, this);
    }
}
