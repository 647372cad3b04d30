package org.gullyrun.desktop.window;

import java.io.IOException;
import java.io.Reader;
import java.io.Writer;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Properties;

/** What is remembered from one start to the next: where the window was, its look, and the files opened lately. */
public final class Preferences {
    private static final int MOST_RECENT = 8;

    private final Path file;
    private final Properties values = new Properties();

    /** What is remembered in a file; nothing if it cannot be read. */
    public Preferences(Path file) {
        this.file = file;
        if (Files.exists(file)) {
            try (Reader in = Files.newBufferedReader(file)) {
                values.load(in);
            } catch (IOException | IllegalArgumentException e) {
                values.clear(); // a damaged memory is no reason not to start
            }
        }
    }

    /** The place where a person's programs keep such things. */
    public static Path usualFile() {
        String config = System.getenv("XDG_CONFIG_HOME");
        String windows = System.getenv("APPDATA");
        Path home = Path.of(System.getProperty("user.home"));
        Path folder = config != null && !config.isBlank()
                ? Path.of(config)
                : windows != null ? Path.of(windows) : home.resolve(".config");
        return folder.resolve("gullyrun").resolve("window.properties");
    }

    /** The folder for journals of cases that have no folder of their own to be journaled in. */
    public static Path journals() {
        String state = System.getenv("XDG_STATE_HOME");
        String windows = System.getenv("LOCALAPPDATA");
        Path home = Path.of(System.getProperty("user.home"));
        Path folder = state != null && !state.isBlank()
                ? Path.of(state)
                : windows != null ? Path.of(windows) : home.resolve(".local").resolve("state");
        return folder.resolve("gullyrun").resolve("journals");
    }

    /** A number, or another if none is remembered. */
    public double number(String key, double otherwise) {
        try {
            double known = Double.parseDouble(values.getProperty(key, Double.toString(otherwise)));
            return Double.isFinite(known) ? known : otherwise;
        } catch (NumberFormatException e) {
            return otherwise;
        }
    }

    /** Remembers a number. */
    public void keep(String key, double value) {
        values.setProperty(key, Double.toString(value));
    }

    /** The files opened lately, the last one first; those that are gone are left out. */
    public List<Path> recent() {
        List<Path> files = new ArrayList<>();
        for (int i = 0; i < MOST_RECENT; i++) {
            String name = values.getProperty("recent." + i, "");
            if (!name.isEmpty() && isThere(name)) {
                files.add(Path.of(name));
            }
        }
        return files;
    }

    private static boolean isThere(String name) {
        try {
            return Files.exists(Path.of(name));
        } catch (InvalidPathException e) {
            return false; // somebody has written something else into the file
        }
    }

    /** Remembers that a file was opened or saved. */
    public void opened(Path opened) {
        List<Path> files = new ArrayList<>(recent());
        Path whole = opened.toAbsolutePath().normalize();
        files.remove(whole);
        files.addFirst(whole);
        for (int i = 0; i < MOST_RECENT; i++) {
            values.setProperty("recent." + i, i < files.size() ? files.get(i).toString() : "");
        }
    }

    /** Writes it down. It is only a convenience: where that fails, nothing is said. */
    public void save() {
        try {
            Files.createDirectories(file.getParent());
            Path part = file.resolveSibling(file.getFileName() + ".part");
            try (Writer out = Files.newBufferedWriter(part)) {
                values.store(out, "Gullyrun's window");
            }
            Files.move(part, file, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException e) {
            values.setProperty("unwritten", "true");
        }
    }
}
