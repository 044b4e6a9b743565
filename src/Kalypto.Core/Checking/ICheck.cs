namespace Kalypto.Core.Checking;

/// <summary>Looks for one sort of thing that is wrong or worth knowing.</summary>
public interface ICheck
{
    /// <summary>Runs over a whole plan.</summary>
    IEnumerable<Finding> Run(CheckedPlan plan);
}
