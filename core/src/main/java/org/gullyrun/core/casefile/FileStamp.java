package org.gullyrun.core.casefile;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** What a file holds, in a short text: by it another content is noticed, whatever its time says. */
public final class FileStamp {
    /** The stamp where there is no file. */
    public static final String NONE = "";

    private FileStamp() {}

    /** The SHA-256 of some bytes, in hexadecimal digits. */
    static String of(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }

    /** The stamp of a file as it is now; {@link #NONE} if it is not there or cannot be read. */
    public static String of(Path file) {
        try {
            return of(Files.readAllBytes(file));
        } catch (IOException e) {
            return NONE;
        }
    }
}
