declare module "kalman-filter" {
  type Matrix = number[][];
  export class State {
    mean: Matrix;
    covariance: Matrix;
    index: number;
    constructor(state: { mean: Matrix; covariance: Matrix; index: number });
  }
  export class KalmanFilter {
    constructor(options: {
      observation: { dimension: number; stateProjection: Matrix; covariance: Matrix };
      dynamic: {
        dimension: number;
        transition: Matrix;
        covariance: Matrix;
        init: { mean: Matrix; covariance: Matrix; index: number };
      };
    });
    predict(given: { previousCorrected: State; index: number }): State;
    correct(given: { predicted: State; observation: Matrix }): State;
  }
}
