namespace Kalypto.Store;

/// <summary>How a step went.</summary>
public enum StepState
{
    /// <summary>It is done and in the history.</summary>
    Done,
    /// <summary>There was nothing to do: everything was so already, or there is no such step.</summary>
    Nothing,
    /// <summary>The project is put away: it must be brought back first.</summary>
    Archived,
    /// <summary>The project, or what the step is about, is not there any more.</summary>
    Gone,
    /// <summary>A later step changed the same.</summary>
    Blocked,
    /// <summary>Whoever does it may not: only designers change a project, and only owners put it away.</summary>
    Forbidden,
}
