namespace Kalypto.Core.Comparing;

/// <summary>What became of one layer from one draft to another.</summary>
/// <param name="Old">Its ordinal in the earlier draft; null for a new one.</param>
/// <param name="New">Its ordinal in the later draft; null for one that is gone.</param>
public sealed record LayerChange(int? Old, int? New)
{
    /// <summary>True when people are to say whether both are the same.</summary>
    public bool IsAsked { get; init; }

    /// <summary>How it is drawn otherwise.</summary>
    public Redrawing Redrawn { get; init; }

    /// <summary>True when it is drawn otherwise.</summary>
    public bool IsChanged => Redrawn != Redrawing.None;

    /// <summary>True when it lies elsewhere than its neighbours say.</summary>
    public bool IsMoved { get; init; }

    /// <summary>True when the drawing calls it otherwise.</summary>
    public bool IsRenamed { get; init; }

    /// <summary>How sure it is that both are the same.</summary>
    public PairGrade Grade { get; init; }

    /// <summary>What speaks most for it.</summary>
    public PairReason Reason { get; init; }

    /// <summary>True when nothing is to be told of it.</summary>
    public bool IsSame => !IsAsked && Old is not null && New is not null && !IsChanged && !IsMoved && !IsRenamed && Grade == PairGrade.Sure;
}
