package wendo.app.platform.site;

import java.util.Optional;
import org.springframework.stereotype.Component;

/** Tells templates of public pages whose page it is that is being made. */
@Component("face")
public class FaceOfPage {
    /** Empty where no business is known yet, or none any more. */
    public Optional<PublicFace> here() {
        return PublicLanguages.face();
    }

    /** Of the business that somebody signed in works for, for previews of its public pages. */
    public Optional<PublicFace> own() {
        return PublicLanguages.ownFace();
    }
}
