using Microsoft.Win32.SafeHandles;
using Mono.Unix.Native;

namespace Kalypto.Application.Places;

/// <summary>
/// An open folder of a delivery place. Everything in it is reached from its handle by one plain name at a time, so a symbolic
/// link that somebody puts on the way, at any moment, leads nowhere. Only regular files are read.
/// </summary>
internal sealed class FolderHandle : IDisposable
{
    private const OpenFlags Folder = OpenFlags.O_RDONLY | OpenFlags.O_DIRECTORY | OpenFlags.O_CLOEXEC;
    private const FilePermissions ForFolders = FilePermissions.ACCESSPERMS;
    private const FilePermissions ForFiles = FilePermissions.S_IRUSR | FilePermissions.S_IWUSR | FilePermissions.S_IRGRP | FilePermissions.S_IWGRP | FilePermissions.S_IROTH | FilePermissions.S_IWOTH;

    private readonly SafeFileHandle handle;

    private FolderHandle(int descriptor, string path) => (handle, Path) = (new(descriptor, ownsHandle: true), path);

    private enum Sort
    {
        Nothing,
        File,
        Folder,
        Link,
        Other,
    }

    /// <summary>Where it was when it was opened, for messages only.</summary>
    public string Path { get; }

    private int Descriptor => (int)handle.DangerousGetHandle();

    /// <summary>Opens a folder that the operator allowed; links on the way to it are the operator's own.</summary>
    /// <exception cref="PlaceRefusedException">It is not there or cannot be opened.</exception>
    public static FolderHandle Open(string path)
    {
        var descriptor = Syscall.open(path, Folder);
        return descriptor >= 0 ? new(descriptor, path)
            : throw new PlaceRefusedException($"“{path}” cannot be opened: {Reason()}. Create the folder, or start Kalypto with another one behind --deliver.");
    }

    /// <summary>Opens a folder in this one; null when there is nothing of this name and none is to be made.</summary>
    /// <exception cref="PlaceRefusedException">It is a symbolic link or no folder.</exception>
    public FolderHandle? Enter(string name, bool make = false)
    {
        if (make && Syscall.mkdirat(Descriptor, name, ForFolders) != 0 && Stdlib.GetLastError() != Errno.EEXIST)
        {
            throw Failed(name);
        }
        var descriptor = Syscall.openat(Descriptor, name, Folder | OpenFlags.O_NOFOLLOW);
        return descriptor >= 0 ? new(descriptor, At(name)) : SortOf(name) switch
        {
            Sort.Nothing => null,
            Sort.Folder => throw Failed(name),
            var other => throw Unexpected(name, other, "a folder"),
        };
    }

    /// <summary>Creates a folder in this one; false when something of this name is there already.</summary>
    /// <exception cref="PlaceRefusedException">It cannot be created.</exception>
    public bool TryCreateFolder(string name) => Syscall.mkdirat(Descriptor, name, ForFolders) == 0 || (Stdlib.GetLastError() == Errno.EEXIST ? false : throw Failed(name));

    /// <summary>Opens a regular file to be read; null when there is nothing of this name.</summary>
    /// <exception cref="PlaceRefusedException">It is a symbolic link, a folder or anything else that is no regular file.</exception>
    public FileStream? Read(string name)
    {
        // Looked at before it is opened: opening a device or a pipe may have an effect of its own.
        var sort = SortOf(name);
        if (sort is not (Sort.File or Sort.Nothing))
        {
            throw Unexpected(name, sort, "a file");
        }
        var descriptor = sort == Sort.Nothing ? -1 : Syscall.openat(Descriptor, name, OpenFlags.O_RDONLY | OpenFlags.O_NOFOLLOW | OpenFlags.O_NONBLOCK | OpenFlags.O_CLOEXEC);
        if (descriptor < 0)
        {
            return sort == Sort.Nothing || Stdlib.GetLastError() == Errno.ENOENT ? null : throw Failed(name);
        }
        var file = new SafeFileHandle(descriptor, ownsHandle: true);
        if (SortOf(descriptor) != Sort.File)
        {
            file.Dispose();
            throw Unexpected(name, Sort.Other, "a file");
        }
        return new(file, FileAccess.Read);
    }

    /// <summary>Creates a file that is not there yet.</summary>
    /// <exception cref="PlaceRefusedException">Something of this name is there, or it cannot be written.</exception>
    public FileStream Create(string name)
    {
        var descriptor = Syscall.openat(Descriptor, name, OpenFlags.O_WRONLY | OpenFlags.O_CREAT | OpenFlags.O_EXCL | OpenFlags.O_NOFOLLOW | OpenFlags.O_CLOEXEC, ForFiles);
        return descriptor >= 0 ? new(new SafeFileHandle(descriptor, ownsHandle: true), FileAccess.Write) : throw Failed(name);
    }

    /// <summary>Moves a file into another folder, over what has that name there; a link there is replaced, not followed.</summary>
    /// <exception cref="PlaceRefusedException">It cannot be moved.</exception>
    public void Move(string name, FolderHandle to, string newName)
    {
        if (Syscall.renameat(Descriptor, name, to.Descriptor, newName) != 0)
        {
            throw to.Failed(newName);
        }
    }

    /// <summary>Removes a file, or a link itself; one that is not there is no failure.</summary>
    /// <exception cref="PlaceRefusedException">It cannot be removed.</exception>
    public void Remove(string name)
    {
        if (Syscall.unlinkat(Descriptor, name, 0) != 0 && Stdlib.GetLastError() != Errno.ENOENT)
        {
            throw Failed(name);
        }
    }

    /// <summary>Removes a folder in this one when nothing lies in it; false when it stays.</summary>
    public bool RemoveEmpty(string name) => Syscall.unlinkat(Descriptor, name, AtFlags.AT_REMOVEDIR) == 0;

    /// <summary>The names of what lies in it.</summary>
    public IReadOnlyList<string> Names() => [.. Directory.EnumerateFileSystemEntries($"/proc/self/fd/{Descriptor}").Select(e => System.IO.Path.GetFileName(e))];

    /// <inheritdoc/>
    public void Dispose() => handle.Dispose();

    private static string Reason() => Stdlib.strerror(Stdlib.GetLastError());

    private string At(string name) => System.IO.Path.Combine(Path, name);

    private PlaceRefusedException Failed(string name) => new($"{At(name)} could not be read or written: {Reason()}.");

    private PlaceRefusedException Unexpected(string name, Sort sort, string expected) => new(sort == Sort.Link
        ? $"{At(name)} is a symbolic link, and Kalypto follows none. Put {expected} itself there, or choose another place."
        : $"{At(name)} is {(sort == Sort.Folder ? "a folder" : sort == Sort.File ? "a file" : "neither a file nor a folder")}, and {expected} is expected there. Move it away, or choose another place.");

    private Sort SortOf(string name)
    {
        var descriptor = Syscall.openat(Descriptor, name, OpenFlags.O_PATH | OpenFlags.O_NOFOLLOW | OpenFlags.O_CLOEXEC);
        if (descriptor < 0)
        {
            return Stdlib.GetLastError() == Errno.ENOENT ? Sort.Nothing : throw Failed(name);
        }
        try
        {
            return SortOf(descriptor);
        }
        finally
        {
            _ = Syscall.close(descriptor);
        }
    }

    private static Sort SortOf(int descriptor) => Syscall.fstat(descriptor, out var stat) != 0 ? Sort.Other : (stat.st_mode & FilePermissions.S_IFMT) switch
    {
        FilePermissions.S_IFREG => Sort.File,
        FilePermissions.S_IFDIR => Sort.Folder,
        FilePermissions.S_IFLNK => Sort.Link,
        _ => Sort.Other,
    };
}
