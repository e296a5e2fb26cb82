package wendo.app.platform.accounts;

import java.util.List;
import java.util.UUID;
import wendo.app.platform.business.BusinessId;

/** Somebody has signed in, and may see these businesses. */
public record PersonSignedIn(UUID person, String name, SignInWay way, List<BusinessId> businesses) {}
