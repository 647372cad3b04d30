package org.gullyrun.cli;

import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.sample.SampleShow;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code gullyrun sample}: writes the sample show's case. */
@Command(
        name = "sample",
        mixinStandardHelpOptions = true,
        description = "Writes the sample show's case, with the surveys known-good and as-found.")
final class SampleCommand implements Callable<Integer> {
    @Parameters(paramLabel = "FILE", description = "Where to write it.")
    Path file = Path.of("");

    @Option(names = "--force", description = "Overwrite an existing file.")
    boolean force;

    @Spec
    CommandSpec spec = CommandSpec.create();

    @Override
    public Integer call() throws Exception {
        if (!force && Files.exists(file, LinkOption.NOFOLLOW_LINKS)) {
            throw new UsageProblem(file + " already exists. Choose another name, or add --force to overwrite it.");
        }
        CaseFiles.save(SampleShow.make(), file);
        spec.commandLine().getOut().println("Wrote " + file);
        return Exit.OK;
    }
}
