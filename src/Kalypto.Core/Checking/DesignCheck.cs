using System.Runtime.CompilerServices;
using Kalypto.Core.Deciding;

namespace Kalypto.Core.Checking;

/// <summary>A check that looks at each design by itself: what it found in one holds until something is said in that design.</summary>
public abstract class DesignCheck : ICheck
{
    private readonly ConditionalWeakTable<DesignState, IReadOnlyList<Finding>> known = [];

    /// <inheritdoc/>
    public abstract string Id { get; }

    /// <inheritdoc/>
    public abstract string Name { get; }

    /// <inheritdoc/>
    public abstract CheckText Text { get; }

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Designs.SelectMany(design => known.GetValue(design, d => [.. Run(d)]));

    /// <summary>Runs over one design.</summary>
    protected abstract IEnumerable<Finding> Run(DesignState design);
}
