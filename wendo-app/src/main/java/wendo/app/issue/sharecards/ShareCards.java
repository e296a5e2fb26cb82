package wendo.app.issue.sharecards;

import java.time.Clock;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.issue.links.LinkListed;
import wendo.app.platform.business.EditedVersion;
import wendo.core.links.ShareCard;

/** The cards of links, and of the pages that they lead to. */
@Service
class ShareCards {
    private final PageCardRepository pages;
    private final LinkCardRepository links;
    private final Clock clock;

    ShareCards(PageCardRepository pages, LinkCardRepository links, Clock clock) {
        this.pages = pages;
        this.links = links;
        this.clock = clock;
    }

    /**
     * What there is for a link's card.
     *
     * @param own what is said of the link itself
     * @param page what its page says
     * @param ownPicture where the link's own picture is shown; empty text if it has none
     */
    record Known(ShareCard own, ShareCard page, String ownPicture, String pagePicture, int version) {
        public ShareCard card() {
            return own.orElse(page);
        }

        public String picture() {
            return ownPicture.isEmpty() ? pagePicture : ownPicture;
        }

        public boolean hasOwnPicture() {
            return !ownPicture.isEmpty();
        }
    }

    /** What becomes of a link's own picture: another one, none, or what is there. */
    record PictureChange(Optional<SharePicture> another, boolean isRemoved) {}

    @Transactional(readOnly = true)
    Known of(LinkListed link) {
        Optional<StoredLinkCard> own = links.findById(link.id());
        UUID destination = link.belongs().destination();
        Optional<StoredPageCard> page = pages.findById(destination);
        return new Known(
                own.map(StoredLinkCard::card).orElse(ShareCard.NONE),
                page.map(StoredPageCard::card).orElse(ShareCard.NONE),
                own.map(card -> ShareCardDirectory.picturePath(link.id(), card.pictureKey()))
                        .orElse(""),
                page.map(card -> ShareCardDirectory.picturePath(destination, card.pictureKey()))
                        .orElse(""),
                own.map(StoredLinkCard::version).orElse(0));
    }

    @Transactional
    void save(UUID link, EditedVersion edited, ShareCard card, PictureChange picture) {
        StoredLinkCard stored = links.findById(link).orElseGet(() -> new StoredLinkCard(link));
        stored.mustStillBe(edited);
        stored.say(card, clock.instant());
        if (picture.isRemoved() || picture.another().isPresent()) {
            stored.show(picture.another());
        }
        links.save(stored);
    }
}
