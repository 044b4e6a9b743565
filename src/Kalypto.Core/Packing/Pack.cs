using System.Collections.Immutable;
using Kalypto.Core.Checking;

namespace Kalypto.Core.Packing;

/// <summary>The full list of files that the decisions, tags and recipes come to, known before anything is built.</summary>
/// <param name="Pictures">The shipped layers.</param>
/// <param name="Files">The picture files, by path.</param>
/// <param name="Findings">What the checks found.</param>
public sealed record Pack(
    ImmutableArray<Picture> Pictures, ImmutableArray<PlannedFile> Files, ImmutableArray<Finding> Findings)
{
    private readonly Lazy<ImmutableArray<SideFile>> sideFiles = new([]);

    /// <summary>Makes a pack whose small files are written when somebody asks for them.</summary>
    public Pack(ImmutableArray<Picture> pictures, ImmutableArray<PlannedFile> files, ImmutableArray<Finding> findings, Func<ImmutableArray<SideFile>> sideFiles)
        : this(pictures, files, findings) => this.sideFiles = new(sideFiles);

    /// <summary>The files that go with the pictures, by path.</summary>
    public ImmutableArray<SideFile> SideFiles => sideFiles.Value;

    /// <summary>What must be settled before the pack can be built.</summary>
    public IEnumerable<Finding> Blockers => Findings.Where(f => f.Severity == Severity.Blocker);
}
