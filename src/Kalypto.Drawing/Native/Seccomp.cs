using System.Runtime.InteropServices;

namespace Kalypto.Drawing.Native;

/// <summary>A filter of the kernel for system calls that no drawing needs (libseccomp): whoever breaks into a worker starts nothing, reaches no other process and no network.</summary>
internal static partial class Seccomp
{
    private const string Library = "libseccomp.so.2";
    private const uint Allow = 0x7fff0000;
    private const uint Refuse = 0x00050000 | 1;
    private const int AllThreads = 4;
    private const int Unknown = -1;

    // System calls that start programs, look into others, change the system, or open a way out.
    private static readonly string[] Refused =
    [
        "execve", "execveat", "ptrace", "process_vm_readv", "process_vm_writev", "kcmp", "pidfd_getfd", "socket", "connect", "bind", "listen", "accept", "accept4", "socketpair",
        "mount", "umount2", "pivot_root", "chroot", "setns", "unshare", "open_by_handle_at", "name_to_handle_at", "bpf", "perf_event_open", "userfaultfd", "io_uring_setup",
        "keyctl", "add_key", "request_key", "init_module", "finit_module", "delete_module", "kexec_load", "kexec_file_load", "reboot", "swapon", "swapoff", "acct", "syslog",
        "settimeofday", "clock_settime", "adjtimex", "clock_adjtime", "iopl", "ioperm", "quotactl", "setuid", "setgid", "setreuid", "setregid", "setresuid", "setresgid", "setgroups",
    ];

    [LibraryImport(Library, EntryPoint = "seccomp_init")]
    private static partial nint Init(uint action);

    [LibraryImport(Library, EntryPoint = "seccomp_syscall_resolve_name", StringMarshalling = StringMarshalling.Utf8)]
    private static partial int Resolve(string name);

    [LibraryImport(Library, EntryPoint = "seccomp_rule_add_array")]
    private static partial int Add(nint filter, uint action, int call, uint count, nint arguments);

    [LibraryImport(Library, EntryPoint = "seccomp_attr_set")]
    private static partial int Set(nint filter, int attribute, uint value);

    [LibraryImport(Library, EntryPoint = "seccomp_load")]
    private static partial int Load(nint filter);

    [LibraryImport(Library, EntryPoint = "seccomp_release")]
    private static partial void Release(nint filter);

    /// <summary>Puts the filter on all threads of this process, for ever.</summary>
    /// <returns>False where the kernel or the library does not let it.</returns>
    public static bool Enter()
    {
        try
        {
            var filter = Init(Allow);
            if (filter == 0)
            {
                return false;
            }
            try
            {
                return Set(filter, AllThreads, 1) == 0
                    && Refused.Select(Resolve).Where(call => call > Unknown).All(call => Add(filter, Refuse, call, 0, 0) == 0) && Load(filter) == 0;
            }
            finally
            {
                Release(filter);
            }
        }
        catch (DllNotFoundException)
        {
            return false;
        }
    }
}
