package org.gullyrun.core.casefile;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.nio.file.attribute.FileAttribute;
import java.nio.file.attribute.PosixFilePermission;
import java.nio.file.attribute.PosixFilePermissions;
import java.nio.file.attribute.UserPrincipal;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Who may read what the program writes, and whose files it trusts. */
final class FilePermissions {
    private static final Set<PosixFilePermission> OWNER = PosixFilePermissions.fromString("rw-------");

    private FilePermissions() {}

    /** The rights with which a file is made that is to be read by nobody but those who can read another, or its owner. */
    static FileAttribute<?>[] asOf(@Nullable Path other, Path made) {
        if (!made.getFileSystem().supportedFileAttributeViews().contains("posix")) {
            return new FileAttribute<?>[0];
        }
        Set<PosixFilePermission> rights = OWNER;
        if (other != null) {
            try {
                rights = Files.getPosixFilePermissions(other);
            } catch (IOException e) {
                rights = OWNER; // not there yet, so nobody else could read it
            }
        }
        return new FileAttribute<?>[] {PosixFilePermissions.asFileAttribute(rights)};
    }

    /** Whether a path is itself an ordinary file of this user: no link, pipe or device, and nobody else's. */
    static boolean isOwnFile(Path path) {
        try {
            if (!isFile(path)) {
                return false;
            }
            UserPrincipal user = path.getFileSystem()
                    .getUserPrincipalLookupService()
                    .lookupPrincipalByName(System.getProperty("user.name", ""));
            return Files.getOwner(path, LinkOption.NOFOLLOW_LINKS).equals(user);
        } catch (IOException | UnsupportedOperationException e) {
            return true; // where owners are not known, there is nothing to hold against it
        }
    }

    /** Whether a path is itself an ordinary file. */
    static boolean isFile(Path path) {
        try {
            return Files.readAttributes(path, BasicFileAttributes.class, LinkOption.NOFOLLOW_LINKS)
                    .isRegularFile();
        } catch (IOException e) {
            return false;
        }
    }
}
