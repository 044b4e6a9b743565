namespace Kalypto.Store;

/// <summary>What became of a step, or of taking one back.</summary>
/// <param name="State">How it went.</param>
/// <param name="Label">The step in words; of a blocked one, the later step that stands in the way.</param>
/// <param name="Who">Who made the step that stands in the way; empty for none.</param>
public sealed record StepDone(StepState State, string Label = "", string Who = "")
{
    /// <summary>True when something was changed.</summary>
    public bool IsDone => State == StepState.Done;
}
