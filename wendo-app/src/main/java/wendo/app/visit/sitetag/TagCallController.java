package wendo.app.visit.sitetag;

import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;

/** How the site tag is put on a site, and what it sends as it arrives. */
@Needs(Permission.SET_UP)
@Controller
class TagCallController {
    private final SiteTagView view;
    private final TagCallLog log;

    TagCallController(SiteTagView view, TagCallLog log) {
        this.view = view;
        this.log = log;
    }

    @GetMapping("/setup/site-tag")
    ModelAndView page(Business business, CurrentPerson person) {
        return view.show(business, person);
    }

    @GetMapping("/setup/site-tag/calls")
    ModelAndView calls() {
        return new ModelAndView("visit/sitetag/page :: calls", "calls", log.latest());
    }
}
