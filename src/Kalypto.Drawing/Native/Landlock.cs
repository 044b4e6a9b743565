using System.Runtime.InteropServices;

namespace Kalypto.Drawing.Native;

/// <summary>
/// What files a process may touch, as the kernel holds it (Landlock, Linux 5.13): programs, libraries and fonts to be read, and
/// nothing to be written. Other processes, also of the same user, are closed to it, too.
/// </summary>
internal static partial class Landlock
{
    private const int CreateRuleset = 444;
    private const int AddRule = 445;
    private const int RestrictSelf = 446;
    private const uint AskVersion = 1;
    private const int PathBeneath = 1;
    private const int NoNewPrivileges = 38;
    private const int OpenPath = 0x200000 | 0x80000;

    // Of include/uapi/linux/landlock.h.
    private const ulong Execute = 1 << 0;
    private const ulong Write = 1 << 1;
    private const ulong Read = 1 << 2;
    private const ulong List = 1 << 3;
    private const ulong All = (1 << 13) - 1;
    private const ulong Truncate = 1 << 14;
    private const int KnowsTruncate = 3;

    // Where programs, libraries, fonts and what they are set up by lie on a Debian machine.
    private static readonly string[] Readable = ["/usr", "/lib", "/lib64", "/bin", "/etc", "/proc", "/sys", "/dev"];

    [StructLayout(LayoutKind.Sequential, Pack = 1)]
    private struct Beneath
    {
        public ulong Access;
        public int Folder;
    }

    [LibraryImport("libc", EntryPoint = "syscall", SetLastError = true)]
    private static partial long Create(long number, in ulong handled, nuint size, uint flags);

    [LibraryImport("libc", EntryPoint = "syscall", SetLastError = true)]
    private static partial long Ask(long number, nint none, nuint size, uint flags);

    [LibraryImport("libc", EntryPoint = "syscall", SetLastError = true)]
    private static partial long Add(long number, int ruleset, int type, in Beneath rule, uint flags);

    [LibraryImport("libc", EntryPoint = "syscall", SetLastError = true)]
    private static partial long Restrict(long number, int ruleset, uint flags);

    [LibraryImport("libc", EntryPoint = "prctl", SetLastError = true)]
    private static partial int Prctl(int option, nuint one, nuint two, nuint three, nuint four);

    [LibraryImport("libc", EntryPoint = "open", StringMarshalling = StringMarshalling.Utf8, SetLastError = true)]
    private static partial int Open(string path, int flags);

    [LibraryImport("libc", EntryPoint = "close")]
    private static partial int Close(int descriptor);

    [LibraryImport("libc", EntryPoint = "execv", StringMarshalling = StringMarshalling.Utf8, SetLastError = true)]
    private static partial int Exec(string path, string?[] arguments);

    /// <summary>
    /// Restricts this thread and begins the program anew in it, so that all its threads are restricted. Comes back only where the
    /// kernel does not know this, or does not let it.
    /// </summary>
    /// <param name="folders">Further folders that may be read.</param>
    /// <param name="arguments">What the program is started with then.</param>
    public static void EnterAndBeginAnew(IEnumerable<string> folders, IEnumerable<string> arguments)
    {
        var version = Ask(CreateRuleset, 0, 0, AskVersion);
        if (version < 1 || Environment.ProcessPath is not { } program || Prctl(NoNewPrivileges, 1, 0, 0, 0) != 0)
        {
            return;
        }
        var ruleset = (int)Create(CreateRuleset, All | (version >= KnowsTruncate ? Truncate : 0), sizeof(ulong), 0);
        if (ruleset < 0)
        {
            return;
        }
        var holds = Readable.Concat(folders).Append(RuntimeEnvironment.GetRuntimeDirectory()).Append(RuntimeRoot()).Where(Directory.Exists).All(folder => Allow(ruleset, folder, Read | List | Execute))
            && Allow(ruleset, "/dev/null", Read | Write) && Restrict(RestrictSelf, ruleset, 0) == 0;
        _ = Close(ruleset);
        if (holds)
        {
            _ = Exec(program, [program, .. arguments, null]);
        }
    }

    // The folder of dotnet itself, in which the runtime lies three deep.
    private static string RuntimeRoot() => Path.GetFullPath(Path.Combine(RuntimeEnvironment.GetRuntimeDirectory(), "..", "..", ".."));

    private static bool Allow(int ruleset, string path, ulong access)
    {
        var at = Open(path, OpenPath);
        if (at < 0)
        {
            return false;
        }
        try
        {
            return Add(AddRule, ruleset, PathBeneath, new Beneath { Access = access, Folder = at }, 0) == 0;
        }
        finally
        {
            _ = Close(at);
        }
    }
}
