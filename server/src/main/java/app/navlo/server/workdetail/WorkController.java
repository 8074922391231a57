package app.navlo.server.workdetail;

import app.navlo.server.workdetail.WorkDetail.Receipt;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** One piece of work, read whole. */
@RestController
@RequestMapping("/api/students/{student}/works/{work}")
public class WorkController {
    private final WorkDetailService details;

    WorkController(WorkDetailService details) {
        this.details = details;
    }

    @GetMapping
    public WorkDetail read(@PathVariable long student, @PathVariable long work) {
        return details.read(student, work);
    }

    @GetMapping("/hand-ins/{handIn}")
    public Receipt receipt(@PathVariable long student, @PathVariable long work, @PathVariable long handIn) {
        return details.receipt(student, work, handIn);
    }
}
