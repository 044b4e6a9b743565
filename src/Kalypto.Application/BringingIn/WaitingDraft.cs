using Kalypto.Core.Designs;
using Kalypto.Store;

namespace Kalypto.Application.BringingIn;

/// <summary>The demo's visitor app a week later: it waits until somebody wants to see what a next draft is like.</summary>
/// <param name="folder">The folder of the demo; a drawing in its folder <c>next</c> follows the one of the same name.</param>
/// <param name="bringIn">Brings it in.</param>
public sealed class WaitingDraft(string folder, BringIn bringIn)
{
    private readonly Lazy<IReadOnlyList<(string Sha256, string Path)>> waiting = new(() => [.. Directory.Exists(Path.Combine(folder, "next"))
        ? Directory.EnumerateFiles(Path.Combine(folder, "next"), "*.svg").Where(next => File.Exists(Path.Combine(folder, Path.GetFileName(next))))
            .Select(next => (Fingerprint.Of(File.ReadAllBytes(Path.Combine(folder, Path.GetFileName(next)))).Hex, next)) : []]);

    /// <summary>True when a design is a drawing of the demo as it came, of which a newer one waits.</summary>
    public bool IsWaiting(DesignRow design) => design.DraftNumber == 1 && waiting.Value.Any(w => w.Sha256 == design.FileSha256);

    /// <summary>Brings it in; null when none waits.</summary>
    public async Task<BroughtIn?> BringAsync(Actor actor, DesignRow design, CancellationToken cancel) =>
        waiting.Value.FirstOrDefault(w => w.Sha256 == design.FileSha256).Path is { } path
            ? await bringIn.FileAsync(new(actor, design.ProjectId) { Design = design.Id }, Path.GetFileName(path), await File.ReadAllBytesAsync(path, cancel), "", cancel) : null;
}
