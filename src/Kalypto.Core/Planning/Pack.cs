using System.Collections.Immutable;
using Kalypto.Core.Checking;
using Kalypto.Core.Packing;

namespace Kalypto.Core.Planning;

/// <summary>The full list of files that the decisions, tags and recipes come to, known before anything is built.</summary>
/// <param name="Pictures">The shipped layers.</param>
/// <param name="Files">The picture files, by path.</param>
/// <param name="Findings">What the checks found.</param>
public sealed record Pack(
    ImmutableArray<Picture> Pictures, ImmutableArray<PlannedFile> Files, ImmutableArray<Finding> Findings)
{
    private readonly Func<ImmutableArray<PlannedFile>, Func<PlannedFile, string>?, ImmutableArray<SideFile>> sideFilesOf = (_, _) => [];
    private ImmutableArray<SideFile> sideFiles;

    /// <summary>Makes a pack whose small files are written when somebody asks for them.</summary>
    /// <param name="pictures">The shipped layers.</param>
    /// <param name="files">The picture files, by path.</param>
    /// <param name="findings">What the checks found.</param>
    /// <param name="sideFilesOf">Gives the files that go with some of the picture files.</param>
    public Pack(
        ImmutableArray<Picture> pictures, ImmutableArray<PlannedFile> files, ImmutableArray<Finding> findings,
        Func<ImmutableArray<PlannedFile>, Func<PlannedFile, string>?, ImmutableArray<SideFile>> sideFilesOf)
        : this(pictures, files, findings) => this.sideFilesOf = sideFilesOf;

    /// <summary>The files that go with the pictures, by path.</summary>
    public ImmutableArray<SideFile> SideFiles => sideFiles.IsDefault ? sideFiles = sideFilesOf(Files, null) : sideFiles;

    /// <summary>The files that go with a part of the pack, by path.</summary>
    /// <param name="part">The files of the part.</param>
    /// <param name="svgOf">The content of an SVG file as it was made; null to write it anew, with texts as texts.</param>
    public ImmutableArray<SideFile> SideFilesOf(ImmutableArray<PlannedFile> part, Func<PlannedFile, string>? svgOf = null) => sideFilesOf(part, svgOf);

    /// <summary>What the checks found and somebody said is as it should be, with the reason.</summary>
    public ImmutableArray<(Finding Finding, string Reason)> Suppressed { get; init; } = [];

    /// <summary>What must be settled before the pack can be built.</summary>
    public IEnumerable<Finding> Blockers => Findings.Where(f => f.Severity == Severity.Blocker);
}
