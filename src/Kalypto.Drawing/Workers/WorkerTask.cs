namespace Kalypto.Drawing.Workers;

/// <summary>What a worker can be asked.</summary>
internal enum WorkerTask
{
    Read,
    Measure,
    Ink,
    Draw,
    Pixels,
    ToPlain,
    File,
    Outlines,
    Compare,
    Cut,
    Font,
    FontsIn,
    Merged,
    Texts,
    Smaller,
}
