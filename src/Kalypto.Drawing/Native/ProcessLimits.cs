using System.Runtime.InteropServices;

namespace Kalypto.Drawing.Native;

/// <summary>Limits that the kernel holds a worker to (setrlimit).</summary>
internal static partial class ProcessLimits
{
    private const int DataSegment = 2;
    private const int CoreFile = 4;

    [StructLayout(LayoutKind.Sequential)]
    private struct Limit
    {
        public ulong Soft;
        public ulong Hard;
    }

    [LibraryImport("libc", EntryPoint = "setrlimit", SetLastError = true)]
    private static partial int SetLimit(int resource, in Limit limit);

    [LibraryImport("libc", EntryPoint = "getppid")]
    public static partial int ParentId();

    [LibraryImport("libc", EntryPoint = "malloc_trim")]
    private static partial int Trim(nuint kept);

    /// <summary>Gives memory that is no longer used back to the system.</summary>
    public static void GiveBack()
    {
        GC.Collect(2, GCCollectionMode.Aggressive, blocking: true, compacting: true);
        _ = Trim(0);
    }

    /// <summary>Lets the process hold at most this many bytes of private memory, and leave no core file.</summary>
    public static void Memory(ulong bytes)
    {
        if (SetLimit(DataSegment, new Limit { Soft = bytes, Hard = bytes }) != 0
            || SetLimit(CoreFile, default) != 0)
        {
            throw new InvalidOperationException($"The memory limit could not be set (error {Marshal.GetLastPInvokeError()}).");
        }
    }
}
