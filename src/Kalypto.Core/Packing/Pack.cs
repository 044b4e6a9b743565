using System.Collections.Immutable;
using Kalypto.Core.Checking;

namespace Kalypto.Core.Packing;

/// <summary>The full list of files that the decisions, tags and recipes come to, known before anything is built.</summary>
/// <param name="Pictures">The shipped layers.</param>
/// <param name="Files">The picture files, by path.</param>
/// <param name="SideFiles">The files that go with them, by path.</param>
/// <param name="Findings">What the checks found.</param>
public sealed record Pack(
    ImmutableArray<Picture> Pictures, ImmutableArray<PlannedFile> Files, ImmutableArray<SideFile> SideFiles, ImmutableArray<Finding> Findings)
{
    /// <summary>What must be settled before the pack can be built.</summary>
    public IEnumerable<Finding> Blockers => Findings.Where(f => f.Severity == Severity.Blocker);
}
